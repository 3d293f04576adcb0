package dev.lastcut.demo;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;

/**
 * A hive temperature alarm on strip board: a comparator holds a probe in the brood nest against a
 * set point, with some hysteresis, and sounds a buzzer. There is no layout: only what is connected.
 */
final class HiveAlarm {
    private static final String PARTS =
            """
            Designator,Value,Footprint,Part number,Description
            U1,HN-393,DIP-8,HN-393-D8,dual comparator
            R1,10k,AXIAL,AX-10K,upper arm of the probe's divider
            R2,10k,AXIAL,AX-10K,below the set point
            R3,4k7,AXIAL,AX-4K7,above the set point
            R4,1M,AXIAL,AX-1M,hysteresis
            R5,2k2,AXIAL,AX-2K2,base
            R6,470,AXIAL,AX-470R,LED
            R7,10k,AXIAL,AX-10K,pull-up of the output
            RV1,10k,TRIMMER,TR-10K,set point
            C1,100n,DISC,CD-100N,at the comparator
            C2,47u,RADIAL_D5,CE-47U-16,supply
            Q1,HN-547,TO-92,HN-547-T92,drives the buzzer
            D1,HD-4001,DO-41,HD-4001,against a battery put in the wrong way
            D2,red,LED_5MM,LD-5-R,alarm
            J1,probe,HEADER_1X2,HX-1X2,
            J2,battery,TERMINAL_1X2_P5.08,TB-2-508,
            BZ1,buzzer,HEADER_1X2,HX-1X2,buzzer on its leads
            SW1,test,BUTTON,BT-6,makes the alarm sound
            """;

    private static final String CONNECTIONS =
            """
            Net,Pins
            BAT,J2.1 D1.1
            VCC,D1.2 C2.1 C1.1 U1.8 R1.1 R3.1 R6.1 BZ1.1 R7.1
            GND,J2.2 C2.2 C1.2 U1.4 J1.2 R2.2 Q1.3 U1.5 U1.6 SW1.3
            PROBE,R1.2 J1.1 U1.2 SW1.1
            SET,RV1.2 U1.3 R4.1
            TOP,R3.2 RV1.1
            LOW,RV1.3 R2.1
            OUT,U1.1 R4.2 R5.1 R7.2
            BASE,R5.2 Q1.2
            SOUND,Q1.1 BZ1.2 D2.2
            LED,R6.2 D2.1
            """;

    private HiveAlarm() {}

    static Map<String, byte[]> files() {
        Map<String, byte[]> files = new LinkedHashMap<>();
        files.put("hive-alarm-parts.csv", PARTS.getBytes(StandardCharsets.UTF_8));
        files.put("hive-alarm-connections.csv", CONNECTIONS.getBytes(StandardCharsets.UTF_8));
        return files;
    }
}

package dev.lastcut.core.board;

/**
 * What a file says about an object; empty strings where it says nothing.
 *
 * @param function the aperture function, such as {@code ViaPad} or {@code SMDPad}
 * @param net the net's name
 * @param component the reference designator
 * @param pin the pin's name or number
 */
public record ObjectAttributes(String function, String net, String component, String pin) {
    public static final ObjectAttributes NONE = new ObjectAttributes("", "", "", "");
}

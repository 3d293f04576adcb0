package dev.lastcut.server.jobs;

import dev.lastcut.core.assembly.ByHand;
import dev.lastcut.core.assembly.Fitting;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.Variants;
import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.server.work.TaskRunner;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;

/** With {@code --demo}, brings in the demo boards when there is no job yet. */
@Component
class DemoJobs implements ApplicationRunner {
    /** A circuit without a layout. */
    private static final String STRIP = "hive-alarm.zip";

    private static final List<String> PACKS =
            List.of("hive-scale-node.zip", "joint-box.zip", "honeycomb-tag.zip", STRIP);
    private final JobService jobs;
    private final ChoiceService choices;
    private final TaskRunner tasks;

    DemoJobs(JobService jobs, ChoiceService choices, TaskRunner tasks) {
        this.jobs = jobs;
        this.choices = choices;
        this.tasks = tasks;
    }

    @Override
    public void run(ApplicationArguments args) throws IOException, UnusablePackException {
        if (!args.containsOption("demo") || !jobs.all().isEmpty()) {
            return;
        }
        List<Pack> packs = new ArrayList<>();
        for (String name : PACKS) {
            try (InputStream in = getClass().getResourceAsStream("/demo-packs/" + name)) {
                packs.add(PackReader.fromZip(name, in.readAllBytes()));
            }
        }
        tasks.start(
                task -> {
                    for (Pack pack : packs) {
                        long id = jobs.bringIn(pack, task);
                        if (pack.name().startsWith(PACKS.get(0))) {
                            populate(id);
                        } else if (pack.name().equals(STRIP)) {
                            choices.choose(id, Optional.empty(), t -> t.withShop("burr-strip"));
                            jobs.read(id, task);
                        }
                    }
                    return "";
                });
    }

    /** Two ways to build the hive scale node, what its regulator must do, and plugs by hand. */
    private void populate(long id) {
        Variants variants =
                Variants.NONE
                        .adding("Mains", Optional.empty())
                        .with(Optional.of("Mains"), leftOff("J3", "D3", "U4", "C6", "R6", "R7"))
                        .adding("Listen only", Optional.empty())
                        .with(
                                Optional.of("Listen only"),
                                leftOff("J2", "U2", "R11", "R12", "C13", "C14", "C15", "Q1"));
        PartsPlan plan =
                PartsPlan.NONE
                        .with(variants)
                        .needing("U3", List.of("supplies at least 120 mA"))
                        .with(byHand("HDR1X1", "HDR1X2", "HDR1X4", "HDR2X3", "JACK", "BUTTON"))
                        .noting(
                                "J3",
                                "Plug in the solar cell's cable first and see that it goes in.");
        choices.choose(id, Optional.empty(), t -> t.with(d -> d.parts = plan));
    }

    private static ByHand byHand(String... packages) {
        ByHand all = ByHand.NONE;
        for (String p : packages) {
            all = all.ofPackage(p, true);
        }
        return all;
    }

    private static Map<String, Fitting> leftOff(String... designators) {
        Map<String, Fitting> all = new TreeMap<>();
        for (String d : designators) {
            all.put(d, Fitting.fitted(false));
        }
        return all;
    }
}

package dev.lastcut.server.jobs;

import dev.lastcut.core.intake.Pack;
import dev.lastcut.core.intake.PackReader;
import dev.lastcut.core.intake.UnusablePackException;
import dev.lastcut.server.work.TaskRunner;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.stereotype.Component;

/** With {@code --demo}, brings in the demo boards when there is no job yet. */
@Component
class DemoJobs implements ApplicationRunner {
    private static final List<String> PACKS =
            List.of("hive-scale-node.zip", "joint-box.zip", "honeycomb-tag.zip");
    private final JobService jobs;
    private final TaskRunner tasks;

    DemoJobs(JobService jobs, TaskRunner tasks) {
        this.jobs = jobs;
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
                        jobs.bringIn(pack, task);
                    }
                    return "";
                });
    }
}

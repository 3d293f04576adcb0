package dev.lastcut.core.cut;

import dev.lastcut.core.assembly.Part;
import dev.lastcut.core.assembly.PartBodies;
import dev.lastcut.core.assembly.PartsList;
import dev.lastcut.core.assembly.PartsPlan;
import dev.lastcut.core.assembly.PlacementTable;
import dev.lastcut.core.assignment.Assignments;
import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.connectivity.PartPins;
import dev.lastcut.core.kit.AssemblyDrawing;
import dev.lastcut.core.kit.BenchKit;
import dev.lastcut.core.kit.KitGuide;
import dev.lastcut.core.kit.KitTable;
import dev.lastcut.core.milling.HandJoint;
import dev.lastcut.core.placement.Polarities;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;

/** The parts list and the placement, as the shop wants them. */
final class AssemblyFiles {
    private AssemblyFiles() {}

    static void write(
            Board board,
            CapabilitySheet sheet,
            PartsPlan plan,
            Assignments who,
            List<OutputFile> files,
            List<String> remarks) {
        List<Part> parts = who.listed();
        String of = plan.variants().built().map(v -> ", variant " + v).orElse("");
        if (who.isOrdered()) {
            of += ", what the shop fits";
        }
        if (!who.gaps().isEmpty()) {
            remarks.add(Assignments.gapWords(who.gaps()));
        }
        if (board.parts().isPresent()) {
            list(sheet, parts, of, files);
        } else {
            remarks.add("No parts list in the pack, so there is no bill of materials.");
        }
        if (board.placements().isPresent()) {
            placement(sheet, parts, plan, of, files);
        } else {
            remarks.add("No placement file in the pack, so there is no placement table.");
        }
    }

    /** What the maker buys and solders, as a table and as a guide. */
    static void bench(
            BoardGeometry geometry,
            CapabilitySheet sheet,
            PartsPlan plan,
            Assignments who,
            int boards,
            List<OutputFile> files) {
        BenchKit kit = BenchKit.of(geometry, who, plan);
        if (geometry.board().parts().isEmpty() && geometry.board().placements().isEmpty()) {
            return;
        }
        List<HandJoint> joints = sheet.joinsByHand() ? HandJoint.of(geometry) : List.of();
        files.add(
                new OutputFile(
                        "assembly/by-hand.csv",
                        KitTable.csv(kit, boards),
                        "what is soldered by hand, in the order to solder it"));
        files.add(
                new OutputFile(
                        "assembly/guide.pdf",
                        KitGuide.pdf(geometry, kit, plan.notes(), boards, joints),
                        "guide for the bench, a picture a step"));
    }

    /** Where the parts are, who fits them and which way round they stand. */
    static void drawing(
            BoardGeometry geometry, PartsPlan plan, Assignments who, List<OutputFile> files) {
        Polarities polarities = Polarities.of(geometry, plan);
        PartPins pins = PartPins.of(geometry);
        AssemblyDrawing.pdf(
                        new AssemblyDrawing.Content(
                                geometry,
                                who,
                                PartBodies.of(geometry, plan),
                                a -> polarities.of(a.part()),
                                a -> pins.first(a.part().designator()),
                                plan.variants().built().orElse("")))
                .ifPresent(
                        pdf ->
                                files.add(
                                        new OutputFile(
                                                "assembly/drawing.pdf",
                                                pdf,
                                                "assembly drawing: who fits what, which way"
                                                        + " round")));
    }

    static void list(CapabilitySheet sheet, List<Part> parts, String of, List<OutputFile> files) {
        Assembly.ListForm wanted =
                sheet.assembly().map(Assembly::list).orElse(Assembly.ListForm.USUAL);
        List<PartsList.Line> lines =
                PartsList.split(
                        PartsList.kinds(parts),
                        sheet.assembly()
                                .map(a -> a.counts().designatorsPerLine())
                                .orElse(OptionalInt.empty()));
        // A shop that names its columns gets these and no others.
        Assembly.ListForm form =
                wanted.columns().equals(Assembly.ListForm.USUAL.columns())
                        ? PartsList.withOthers(lines, wanted)
                        : wanted;
        files.add(
                new OutputFile(
                        "assembly/parts.csv",
                        PartsList.csv(lines, form),
                        "parts list, identical parts folded" + of));
        files.add(
                new OutputFile(
                        "assembly/parts.xlsx",
                        PartsList.xlsx(lines, form),
                        "the same as a workbook"));
    }

    private static void placement(
            CapabilitySheet sheet,
            List<Part> parts,
            PartsPlan plan,
            String of,
            List<OutputFile> files) {
        Assembly.PlacementForm form =
                sheet.assembly().map(Assembly::placement).orElse(Assembly.PlacementForm.USUAL);
        if (!form.fileASide()) {
            files.add(
                    new OutputFile(
                            "assembly/placement.csv",
                            PlacementTable.csv(parts, form, plan.turns()),
                            "placement of the fitted parts" + of));
            return;
        }
        for (Side side : Side.values()) {
            List<Part> there = new ArrayList<>(parts);
            there.removeIf(p -> p.placed().isEmpty() || p.placed().get().side() != side);
            if (!PlacementTable.fitted(there).isEmpty()) {
                files.add(
                        new OutputFile(
                                "assembly/placement-" + side.word() + ".csv",
                                PlacementTable.csv(there, form, plan.turns()),
                                "placement of the fitted parts of the " + side.word() + of));
            }
        }
    }
}

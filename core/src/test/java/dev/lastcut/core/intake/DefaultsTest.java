package dev.lastcut.core.intake;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.SourceFile;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Every default of the intake: what is taken where a pack does not say it, and that it is asked
 * about or told. None is taken in silence.
 */
class DefaultsTest {
    /**
     * @param file whose text is changed, or that is left out where the change is null
     * @param asked the kind of question; empty where it is told instead
     * @param told what a problem then says
     */
    private record Default(
            String what,
            String file,
            UnaryOperator<String> change,
            Optional<Doubt.Kind> asked,
            String told) {
        @Override
        public String toString() {
            return what;
        }
    }

    private static Default asked(
            String what, String file, Doubt.Kind kind, UnaryOperator<String> change) {
        return new Default(what, file, change, Optional.of(kind), "");
    }

    private static Default told(
            String what, String file, String words, UnaryOperator<String> change) {
        return new Default(what, file, change, Optional.empty(), words);
    }

    static Stream<Default> defaults() {
        return Stream.of(
                told(
                        "the unit of a placement is mm",
                        "T2.csv",
                        "scaled by",
                        t -> inMil(t.replace(" (mm)", ""))),
                asked("a rotation is 0°", "T2.csv", Doubt.Kind.COLUMNS, t -> withoutColumn(t, 3)),
                asked(
                        "a side is that of the pads, and of leaded parts the top",
                        "T2.csv",
                        Doubt.Kind.COLUMNS,
                        t -> withoutColumn(t, 4)),
                told(
                        "a word for a side means what the pads say",
                        "T2.csv",
                        "parts with the side “brumm” are on the bottom",
                        t -> t.replaceAll("(?m),1$", ",klonk").replaceAll("(?m),4$", ",brumm")),
                asked(
                        "a list without values has none",
                        "T1.csv",
                        Doubt.Kind.COLUMNS,
                        t -> withoutColumn(t, 1)),
                asked(
                        "a table without designators is no part",
                        "T1.csv",
                        Doubt.Kind.COLUMNS,
                        t -> t.replaceAll("([A-Z]+)(\\d+)(?=[,\"-])", "$2$1")),
                asked(
                        "a mark that is not known means fitted",
                        "T1.csv",
                        Doubt.Kind.COLUMNS,
                        t -> t.replace(",yes", ",klar").replace(",no", ",ohne")),
                asked(
                        "holes of a tool without a size are left out",
                        "L1-L4.nc",
                        Doubt.Kind.SIZE,
                        t -> t.replaceAll("(?m)^(T0*1)C.*$", "$1")),
                told(
                        "digits of a drill file are of the usual format",
                        "L1-L4.nc",
                        "read as",
                        t -> t.replaceAll("(?m)^(METRIC|INCH).*$", "METRIC").replace(".", "")),
                asked(
                        "a picture that cannot be read is no part",
                        "L1S.art",
                        Doubt.Kind.ROLE,
                        t -> "%%%\n" + t.replaceAll("[DXY*%]", "#")));
    }

    private static String withoutColumn(String table, int column) {
        StringBuilder all = new StringBuilder();
        for (String line : table.split("\r?\n")) {
            List<String> cells =
                    new ArrayList<>(List.of(line.split(",(?=(?:[^\"]*\"[^\"]*\")*[^\"]*$)", -1)));
            cells.remove(column);
            all.append(String.join(",", cells)).append('\n');
        }
        return all.toString();
    }

    private static String inMil(String table) {
        StringBuilder all = new StringBuilder();
        for (String line : table.split("\r?\n")) {
            String[] cells = line.split(",");
            if (cells[1].matches("[-.\\d]+")) {
                cells[1] =
                        String.valueOf(Math.round(Double.parseDouble(cells[1]) / 0.000254) / 100.0);
                cells[2] =
                        String.valueOf(Math.round(Double.parseDouble(cells[2]) / 0.000254) / 100.0);
            }
            all.append(String.join(",", cells)).append('\n');
        }
        return all.toString();
    }

    @ParameterizedTest
    @MethodSource("defaults")
    void isAskedOrTold(Default d) throws Exception {
        TruePack t = TruePack.of("p19_L1_L4");
        List<Pack.PackFile> files = new ArrayList<>();
        for (Pack.PackFile f : t.pack().files()) {
            boolean own = TruePack.leaf(f.path()).equals(d.file());
            String text = new String(f.content(), StandardCharsets.UTF_8);
            files.add(
                    own
                            ? new Pack.PackFile(
                                    f.path(),
                                    d.change().apply(text).getBytes(StandardCharsets.UTF_8))
                            : f);
        }
        Board board = Intake.open(new Pack("p", files));
        SourceFile file =
                board.files().stream()
                        .filter(f -> TruePack.leaf(f.path()).equals(d.file()))
                        .findFirst()
                        .orElseThrow();
        if (d.asked().isPresent()) {
            assertThat(file.doubt().map(Doubt::kind)).as(file.toString()).isEqualTo(d.asked());
        } else {
            assertThat(board.problems())
                    .anyMatch(p -> p.file().equals(file.path()) && p.text().contains(d.told()));
        }
    }
}

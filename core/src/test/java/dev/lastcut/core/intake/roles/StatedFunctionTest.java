package dev.lastcut.core.intake.roles;

import static org.assertj.core.api.Assertions.assertThat;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import java.util.ArrayList;
import org.junit.jupiter.api.Test;

/** What files say of themselves, and what a job file says of them. */
class StatedFunctionTest {
    private static final Role COPPER = Role.of(Role.Kind.COPPER, Side.TOP);

    private final SmallBoard board = new SmallBoard();

    private void says(String path, String function) {
        String text = board.files.get(path).replaceFirst("^%TF[^\n]*\n", "");
        board.files.put(path, "%TF.FileFunction," + function + "*%\n" + text);
    }

    private Testimony heard() {
        Testimony t = new Testimony();
        new StatedFunction().testify(board.facts(), t);
        return t;
    }

    private boolean settles() {
        PackFacts facts = board.facts();
        return StatedFunction.settles(facts, new ArrayList<>(facts.pictures()));
    }

    @Test
    void aFileOutweighsTheJobFile() {
        board.files.put(
                "job.gbrjob",
                "{\"FilesAttributes\":[{\"Path\":\"copper 2\",\"FileFunction\":\"Copper,L1,Top\"},"
                        + "{\"Path\":\"lines 1\",\"FileFunction\":\"Other,Comment\"},"
                        + "{\"Path\":\"copper 1\",\"FileFunction\":\"Copper,L2,Bot\"}]}");
        says("copper 1", "Copper,L1,Top");
        Testimony t = heard();
        assertThat(t.weight("copper 1", COPPER)).isEqualTo(30 - 14);
        assertThat(t.weight("copper 1", COPPER.across())).isEqualTo(14 - 30);
        assertThat(t.weight("copper 2", COPPER)).isEqualTo(14);
        assertThat(t.weight("copper 2", Role.NOT_PART)).isEqualTo(-14);
        assertThat(t.weight("lines 1", Role.NOT_PART)).isEqualTo(14);
        assertThat(t.weight("lines 1", COPPER)).isEqualTo(-14);
        assertThat(t.weight("edge", Role.OUTLINE)).isZero();
        assertThat(t.speaksFor("copper 1", COPPER))
                .containsExactly("the file says Copper, L1, Top");
        assertThat(t.speaksAgainst("copper 1", COPPER))
                .containsExactly("the job file says Copper, L2, Bot");
        assertThat(t.speaksFor("lines 1", Role.NOT_PART))
                .containsExactly(
                        "the job file says Other, Comment, which is no picture of the board itself");
    }

    @Test
    void nobodyElseIsHeardWhereEveryFileSaysAnotherThing() {
        assertThat(settles()).isFalse();
        says("copper 1", "Copper,L1,Top");
        says("copper 2", "Copper,L2,Bot");
        says("openings 1", "Soldermask,Top");
        says("openings 2", "Soldermask,Bot");
        says("paste 1", "Paste,Top");
        says("paste 2", "Paste,Bot");
        says("lines 1", "Legend,Top");
        assertThat(settles()).as("the edge says nothing").isFalse();
        says("edge", "Profile,NP");
        assertThat(settles()).isTrue();
        says("lines 1", "Soldermask,Top");
        assertThat(settles()).as("two masks of the top").isFalse();
        says("lines 1", "Other,Comment");
        says("paste 2", "Other,Comment");
        assertThat(settles()).as("two that are neither").isTrue();
        says("lines 1", "Plated,1,2,PTH");
        says("paste 2", "Plated,1,2,PTH");
        assertThat(settles()).as("holes may be in two").isTrue();
    }
}

package dev.lastcut.server.sheets;

import com.fasterxml.jackson.annotation.JsonInclude;
import dev.lastcut.core.board.Mounting;
import dev.lastcut.core.board.Side;
import dev.lastcut.core.capability.Assembly;
import dev.lastcut.core.capability.Limit;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;

/** The assembly section of a sheet; what is not given has no limit, costs nothing or is usual. */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record AssemblyJson(
        List<String> sides,
        Integer designatorsPerLine,
        Integer billLines,
        Integer placementLines,
        Integer loadedKinds,
        Double setupFee,
        Double fittingFee,
        Double loadingFee,
        Double attritionPercent,
        List<ColumnJson> columns,
        Boolean ranges,
        String separator,
        String zeroOrientation,
        Limit leastPitch,
        List<ColumnJson> placementColumns,
        Boolean placementFileASide,
        Limit leastToEdge,
        Integer fiducials,
        List<String> fits,
        Limit greatestHeight) {
    /** A column of a table, and what stands above it. */
    public record ColumnJson(String holds, String title) {}

    /**
     * @throws IllegalArgumentException when a word or a number of it cannot be
     */
    Assembly toAssembly() {
        return new Assembly(
                sides == null ? List.of(Side.TOP) : sides.stream().map(AssemblyJson::side).toList(),
                new Assembly.Counts(
                        count(designatorsPerLine),
                        count(billLines),
                        count(placementLines),
                        count(loadedKinds)),
                new Assembly.Fees(
                        fee(setupFee), fee(fittingFee), fee(loadingFee), fee(attritionPercent)),
                new Assembly.ListForm(
                        columns == null
                                ? Assembly.ListForm.USUAL.columns()
                                : columns.stream().map(AssemblyJson::column).toList(),
                        !Boolean.FALSE.equals(ranges),
                        separator == null ? " " : separator),
                Optional.ofNullable(zeroOrientation).map(AssemblyJson::zero),
                Optional.ofNullable(leastPitch),
                new Assembly.PlacementForm(
                        placementColumns == null
                                ? Assembly.PlacementForm.USUAL.columns()
                                : placementColumns.stream()
                                        .map(AssemblyJson::placementColumn)
                                        .toList(),
                        Boolean.TRUE.equals(placementFileASide)),
                new Assembly.Line(
                        Optional.ofNullable(leastToEdge),
                        fiducials == null ? 0 : fiducials,
                        fits == null
                                ? EnumSet.allOf(Mounting.class)
                                : fits.stream().map(Mounting::parse).collect(Collectors.toSet()),
                        Optional.ofNullable(greatestHeight)));
    }

    private static Assembly.PlacementColumn placementColumn(ColumnJson c) {
        Assembly.PlacementHolds holds = Assembly.PlacementHolds.parse(c.holds);
        return new Assembly.PlacementColumn(holds, c.title == null ? holds.title() : c.title);
    }

    private static Side side(String word) {
        return Arrays.stream(Side.values())
                .filter(s -> s.word().equals(word))
                .findFirst()
                .orElseThrow(
                        () ->
                                new IllegalArgumentException(
                                        "assembly.sides is top or bottom, not '" + word + "'"));
    }

    private static Assembly.Column column(ColumnJson c) {
        Assembly.Holds holds = Assembly.Holds.parse(c.holds);
        return new Assembly.Column(holds, c.title == null ? holds.title() : c.title);
    }

    private static Assembly.ZeroOrientation zero(String word) {
        return Arrays.stream(Assembly.ZeroOrientation.values())
                .filter(z -> z.name().equals(word))
                .findFirst()
                .orElseThrow(
                        () ->
                                new IllegalArgumentException(
                                        "assembly.zero_orientation is A or B, not '" + word + "'"));
    }

    private static OptionalInt count(Integer n) {
        return n == null ? OptionalInt.empty() : OptionalInt.of(n);
    }

    private static double fee(Double n) {
        return n == null ? 0 : n;
    }

    static AssemblyJson of(Assembly a) {
        boolean usual = a.placement().columns().equals(Assembly.PlacementForm.USUAL.columns());
        return new AssemblyJson(
                a.sides().stream().map(Side::word).toList(),
                number(a.counts().designatorsPerLine()),
                number(a.counts().billLines()),
                number(a.counts().placementLines()),
                number(a.counts().loadedKinds()),
                a.fees().setup(),
                a.fees().perPart(),
                a.fees().loading(),
                a.fees().attritionPercent(),
                a.list().columns().stream()
                        .map(c -> new ColumnJson(c.holds().id(), c.title()))
                        .toList(),
                a.list().ranges(),
                a.list().separator(),
                a.zeroOrientation().map(Enum::name).orElse(null),
                a.leastPitch().orElse(null),
                usual
                        ? null
                        : a.placement().columns().stream()
                                .map(c -> new ColumnJson(c.holds().id(), c.title()))
                                .toList(),
                a.placement().fileASide() ? true : null,
                a.line().leastToEdge().orElse(null),
                a.line().fiducials() == 0 ? null : a.line().fiducials(),
                a.line().fits().size() == Mounting.values().length
                        ? null
                        : a.line().fits().stream().map(Mounting::id).toList(),
                a.line().greatestHeight().orElse(null));
    }

    private static Integer number(OptionalInt n) {
        return n.isPresent() ? n.getAsInt() : null;
    }
}

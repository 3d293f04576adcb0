package dev.lastcut.server.desk;

import dev.lastcut.core.board.Board;
import dev.lastcut.core.board.Doubt;
import dev.lastcut.core.board.ListedPart;
import dev.lastcut.core.board.PlacedPart;
import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.SourceFile;
import dev.lastcut.core.capability.CapabilitySheet;
import dev.lastcut.core.connectivity.BoardGeometry;
import dev.lastcut.core.ticket.Ticket;
import dev.lastcut.server.desk.Delivery.RefusedDeliveryException;
import dev.lastcut.server.orders.DeskReading.DeskAsk;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** What does not fit together in a delivery, and what is missing before it can be ordered. */
final class DeliveryCheck {
    private final BoardGeometry geometry;
    private final Board board;
    private final Delivery delivery;
    private final Ticket ticket;

    DeliveryCheck(BoardGeometry geometry, Delivery delivery, Ticket ticket) {
        this.geometry = geometry;
        this.board = geometry.board();
        this.delivery = delivery;
        this.ticket = ticket;
    }

    /**
     * @throws RefusedDeliveryException when it holds two boards, or a list of another board
     */
    void refuseWhatDoesNotFit() throws RefusedDeliveryException {
        Optional<SourceFile> other =
                board.files().stream()
                        .filter(
                                f ->
                                        f.doubt()
                                                .filter(d -> d.kind() == Doubt.Kind.BOARD)
                                                .isPresent())
                        .findFirst();
        if (other.isPresent()) {
            throw new RefusedDeliveryException(
                    "It holds the files of two boards ("
                            + other.get().path()
                            + " is of another than the rest). Send each board for itself.");
        }
        Set<String> listed =
                board.parts().orElse(List.of()).stream()
                        .map(ListedPart::designator)
                        .map(DeliveryCheck::upper)
                        .collect(Collectors.toSet());
        Set<String> placed =
                board.placements().orElse(List.of()).stream()
                        .map(PlacedPart::designator)
                        .map(DeliveryCheck::upper)
                        .collect(Collectors.toSet());
        boolean apart =
                !listed.isEmpty()
                        && !placed.isEmpty()
                        && listed.stream().noneMatch(placed::contains);
        if (apart) {
            throw new RefusedDeliveryException(
                    "The parts list is of another board: none of its "
                            + listed.size()
                            + " parts is placed on this one. Send the parts list of this board.");
        }
    }

    private static String upper(String designator) {
        return designator.toUpperCase(Locale.ROOT);
    }

    List<DeskAsk> asks() {
        List<DeskAsk> all = new ArrayList<>();
        if (delivery.shop().isEmpty()) {
            all.add(
                    new DeskAsk(
                            "shop",
                            "Which shop is to make it, and how many boards? Nothing that arrived"
                                    + " says so."));
        }
        if (geometry.boardArea().isEmpty()) {
            all.add(
                    new DeskAsk(
                            "outline",
                            "No closed outline was found, so nobody knows how large the board is."
                                    + " Send the file of its edge."));
        }
        if (board.copper().isEmpty()) {
            all.add(new DeskAsk("copper", "No copper was found. Send the files of the copper."));
        }
        if (delivery.plain() && board.files().stream().noneMatch(DeliveryCheck::isDrill)) {
            all.add(new DeskAsk("holes", "No drill file was found. Send it."));
        }
        if (delivery.plain()) {
            board.files()
                    .forEach(
                            f ->
                                    f.doubt()
                                            .ifPresent(
                                                    d -> all.add(new DeskAsk(f.path(), d.text()))));
        }
        if (isFitted(delivery.shop())) {
            if (board.parts().isEmpty()) {
                all.add(
                        new DeskAsk(
                                "parts-list",
                                "Parts are to be fitted, and no parts list arrived. Send it."));
            }
            if (board.placements().isEmpty()) {
                all.add(
                        new DeskAsk(
                                "placement",
                                "Parts are to be fitted, and no placement arrived. Send it."));
            }
        }
        return all;
    }

    private boolean isFitted(Optional<CapabilitySheet> shop) {
        return shop.filter(s -> !s.fittedSides(ticket.order()).isEmpty()).isPresent();
    }

    private static boolean isDrill(SourceFile f) {
        return f.role().kind() == Role.Kind.PLATED_HOLES
                || f.role().kind() == Role.Kind.UNPLATED_HOLES
                || f.role().kind() == Role.Kind.MIXED_HOLES;
    }
}

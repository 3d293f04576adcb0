package dev.lastcut.core.report;

import dev.lastcut.core.board.Role;
import dev.lastcut.core.board.Side;
import java.util.Optional;

/**
 * The inks of the films on paper: red, green, blue from 0 to 255, multiplied where they overlap.
 */
final class Inks {
    private Inks() {}

    static int[] of(Role role) {
        boolean below = role.side().equals(Optional.of(Side.BOTTOM));
        int rgb =
                switch (role.kind()) {
                    case COPPER ->
                            role.inner() > 0
                                    ? (role.inner() % 2 == 1 ? 0x9a6a94 : 0x93945a)
                                    : below ? 0x86bfc7 : 0xd98a5f;
                    case MASK -> 0xcdbfe2;
                    case PASTE -> 0x9aa5b4;
                    case SILK -> 0x6a655d;
                    default -> 0x8a8272;
                };
        return new int[] {rgb >> 16, (rgb >> 8) & 255, rgb & 255};
    }
}

package dev.lastcut.core.stencil;

/**
 * What is chosen about the stencil.
 *
 * @param leaveOutUnfitted whether pads of parts that are left off get no paste
 */
public record StencilPlan(boolean leaveOutUnfitted) {
    public static final StencilPlan AS_DRAWN = new StencilPlan(false);
}

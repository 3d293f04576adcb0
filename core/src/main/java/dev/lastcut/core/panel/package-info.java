/**
 * Several boards on one panel: what is chosen ({@link dev.lastcut.core.panel.PanelPlan}), where
 * each board lies, what joins them, and the panel as one board ({@link
 * dev.lastcut.core.panel.Panel}) from which every output is made. Panel coordinates have the
 * panel's lower left corner at 0, 0.
 */
package dev.lastcut.core.panel;

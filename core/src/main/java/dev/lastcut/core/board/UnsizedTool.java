package dev.lastcut.core.board;

/**
 * A tool of a drill file of which no file of the pack states the size.
 *
 * @param number its number in the file; -1 for holes before any tool is chosen
 * @param holes how many holes and slots it makes
 * @param diameterNm the size taken: as the user said, or proposed by the pads
 * @param told whether the user said it
 */
public record UnsizedTool(int number, int holes, long diameterNm, boolean told) {}

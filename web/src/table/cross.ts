/** Draws an upright cross of two strokes, each arm so many pixels long. */
export function strokeCross(g: CanvasRenderingContext2D, x: number, y: number, arm: number): void {
  g.beginPath();
  g.moveTo(x - arm, y);
  g.lineTo(x + arm, y);
  g.moveTo(x, y - arm);
  g.lineTo(x, y + arm);
  g.stroke();
}

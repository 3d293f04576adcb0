import { useEffect, useState, type PointerEvent } from 'react';
import type { PanelResult } from '../api/client';
import { Gestures, type Touched } from '../table/gestures';
import { toBoard, type Viewport } from '../table/viewport';
import { boardAt, boxOf, caught, type PlacedBoard } from './places';

/** Within so many pixels a dragged board catches on its neighbours. */
const CATCH_PX = 8;

/** A board that is dragged, and how far, nm. */
export interface Moved {
  number: number;
  dx: number;
  dy: number;
}

export interface Means {
  panel: PanelResult;
  port: Viewport | null;
  gapNm: number;
  /** A board was pressed, or the table beside them. */
  select: (number: number | null) => void;
  panBy: (dx: number, dy: number) => void;
  zoomAt: (x: number, y: number, factor: number) => void;
  /** A board was dragged and let go. */
  onMoved: (moved: Moved) => void;
}

/** How far a board that was dragged by so many pixels goes, catching on its neighbours. */
function dragged(m: Means, board: PlacedBoard, px: number, py: number): Moved {
  const { panel, port } = m;
  if (!port) {
    return { number: board.number, dx: 0, dy: 0 };
  }
  const dx = ((port.flipped ? -1 : 1) * px) / port.scale;
  const dy = -py / port.scale;
  const box = boxOf(panel, { ...board, x: board.x + dx, y: board.y + dy });
  const others = panel.boards.filter((b) => b.number !== board.number).map((b) => boxOf(panel, b));
  const [cx, cy] = caught(box, others, m.gapNm, CATCH_PX / port.scale);
  return { number: board.number, dx: dx + cx, dy: dy + cy };
}

/**
 * Mouse, pen and fingers on a panel: a board that is pressed is chosen and dragged, beside boards
 * the view pans, two fingers pinch. A second finger, Esc, and what the system cancels put a dragged
 * board back.
 */
export class PanelHand {
  private readonly gestures = new Gestures();
  private means: Means | null = null;
  private grabbed: PlacedBoard | null = null;
  private way: [number, number] = [0, 0];
  private last: Moved | null = null;

  /**
   * @param show told of the board that is dragged now, null for none
   * @param point told of the place under the pointer, nm
   */
  constructor(
    private readonly show: (moved: Moved | null) => void,
    point: (at: [number, number] | null) => void,
  ) {
    this.gestures.mean({
      hover: (x, y) => point(this.means?.port ? toBoard(this.means.port, x, y) : null),
      pan: (dx, dy) => this.drag(dx, dy),
      zoom: (x, y, factor) => this.means?.zoomAt(x, y, factor),
      tap: () => undefined,
      hold: () => undefined,
    });
  }

  /** What it means from now on: that depends on the view. */
  mean(means: Means): void {
    this.means = means;
  }

  press(p: Touched): void {
    const first = !this.gestures.busy;
    this.gestures.press(p);
    this.letGo();
    if (first && this.means?.port) {
      this.way = [0, 0];
      this.grabbed = boardAt(this.means.panel, ...toBoard(this.means.port, p.x, p.y));
      this.means.select(this.grabbed?.number ?? null);
    }
  }

  move(p: Touched): void {
    this.gestures.move(p);
  }

  release(p: Touched): void {
    this.gestures.release(p);
    if (this.last) {
      // It is shown where it was put down until the answer has it there.
      this.means?.onMoved(this.last);
    }
    this.grabbed = null;
    this.last = null;
  }

  /** Puts back what is dragged; whether any pointer was pressed. */
  cancel(id?: number): boolean {
    const { busy } = this.gestures;
    this.gestures.cancel(id);
    this.letGo();
    return busy;
  }

  private letGo(): void {
    this.grabbed = null;
    this.last = null;
    this.show(null);
  }

  private drag(dx: number, dy: number): void {
    if (!this.grabbed) {
      this.means?.panBy(dx, dy);
      return;
    }
    this.way = [this.way[0] + dx, this.way[1] + dy];
    this.last = this.means && dragged(this.means, this.grabbed, ...this.way);
    this.show(this.last);
  }
}

function touched(e: PointerEvent): Touched {
  const box = e.currentTarget.getBoundingClientRect();
  return {
    id: e.pointerId,
    kind: e.pointerType === 'touch' ? 'touch' : e.pointerType === 'pen' ? 'pen' : 'mouse',
    x: e.clientX - box.left,
    y: e.clientY - box.top,
  };
}

/** A hand on a panel: what it drags, what lies under it, and the events it hears. */
export function usePanelPointer(means: Means) {
  const [moved, setMoved] = useState<Moved | null>(null);
  const [pointer, setPointer] = useState<[number, number] | null>(null);
  const [hand] = useState(() => new PanelHand(setMoved, setPointer));
  useEffect(() => hand.mean(means));
  return {
    moved,
    pointer,
    /** The panel is another one: what was put down is in it. */
    settle: () => setMoved(null),
    /** Ends what the pointer is doing; false when it does nothing. */
    breakOff: () => hand.cancel(),
    on: {
      onPointerDown: (e: PointerEvent) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        hand.press(touched(e));
      },
      onPointerMove: (e: PointerEvent) => hand.move(touched(e)),
      onPointerUp: (e: PointerEvent) => hand.release(touched(e)),
      onPointerCancel: (e: PointerEvent) => void hand.cancel(e.pointerId),
    },
  };
}

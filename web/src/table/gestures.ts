/** A pointer's event in pixels of the table. */
export interface Touched {
  id: number;
  kind: 'mouse' | 'pen' | 'touch';
  x: number;
  y: number;
}

/** What fingers, pens and mice can mean. Places and ways in pixels of the table. */
export interface Meant {
  /** A pointer lies over a place without pressing. */
  hover(x: number, y: number): void;
  pan(dx: number, dy: number): void;
  /** Nearer or farther by a factor, about a place that stays where it is. */
  zoom(x: number, y: number, factor: number): void;
  tap(x: number, y: number): void;
  /** A finger that stays where it is, as a mouse that hovers. */
  hold(x: number, y: number): void;
}

/** A hand that moves no farther than this has not moved. */
const STILL_PX = { mouse: 3, pen: 5, touch: 9 };
/** How long a finger rests before it is one that holds, milliseconds. */
const HOLD_MS = 450;

interface Down extends Touched {
  fromX: number;
  fromY: number;
  moved: boolean;
}

/**
 * Makes out of pointer events what they mean: one that is pressed and let go is a tap, one that is
 * pressed and moved pans, two fingers pinch and pan at once, a finger that rests holds. After a
 * pinch the finger that stays pans on and taps nothing; what is cancelled means nothing.
 */
export class Gestures {
  private readonly down = new Map<number, Down>();
  private timer: ReturnType<typeof setTimeout> | null = null;

  private meant: Meant | null = null;

  /** What gestures mean from now on: that depends on the view they are made in. */
  mean(meant: Meant): void {
    this.meant = meant;
  }

  /** Whether some pointer is pressed. */
  get busy(): boolean {
    return this.down.size > 0;
  }

  press(p: Touched): void {
    this.stopHold();
    this.down.set(p.id, { ...p, fromX: p.x, fromY: p.y, moved: this.down.size > 0 });
    if (this.down.size > 1) {
      this.down.forEach((d) => (d.moved = true));
    } else if (p.kind === 'touch') {
      this.timer = setTimeout(() => {
        const held = this.down.get(p.id);
        if (held && !held.moved) {
          held.moved = true;
          this.meant?.hold(held.x, held.y);
        }
      }, HOLD_MS);
    }
  }

  move(p: Touched): void {
    const was = this.down.get(p.id);
    if (!was) {
      if (p.kind !== 'touch' && this.down.size === 0) {
        this.meant?.hover(p.x, p.y);
      }
      return;
    }
    if (!was.moved && Math.hypot(p.x - was.fromX, p.y - was.fromY) <= STILL_PX[was.kind]) {
      return;
    }
    this.stopHold();
    was.moved = true;
    const other = [...this.down.values()].find((d) => d.id !== p.id);
    if (other) {
      const before = Math.hypot(was.x - other.x, was.y - other.y);
      const after = Math.hypot(p.x - other.x, p.y - other.y);
      // Two fingers move their middle by half of what one of them moves.
      this.meant?.pan((p.x - was.x) / 2, (p.y - was.y) / 2);
      if (before > 0 && after > 0) {
        this.meant?.zoom((p.x + other.x) / 2, (p.y + other.y) / 2, after / before);
      }
    } else {
      this.meant?.pan(p.x - was.x, p.y - was.y);
    }
    was.x = p.x;
    was.y = p.y;
  }

  /** Whether letting this pointer go now would be a tap. */
  isTap(id: number): boolean {
    const down = this.down.get(id);
    return down !== undefined && !down.moved;
  }

  release(p: Touched): void {
    this.stopHold();
    const was = this.down.get(p.id);
    this.down.delete(p.id);
    if (was && !was.moved) {
      this.meant?.tap(p.x, p.y);
    }
  }

  /** What pointers were doing means nothing any more. */
  cancel(id?: number): void {
    this.stopHold();
    if (id === undefined) {
      this.down.clear();
    } else {
      this.down.delete(id);
    }
  }

  private stopHold(): void {
    if (this.timer !== null) {
      clearTimeout(this.timer);
      this.timer = null;
    }
  }
}

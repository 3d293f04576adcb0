import type { Hole } from '../api/client';
import type { Film } from '../store/view';
import { inkOf, isHatched } from './inks';
import type { Mesh } from './layers';
import type { Viewport } from './viewport';

/** One film to draw. */
export interface FilmDrawing {
  role: string;
  film: Film;
}

function tableTone(lamp: number): [number, number, number] {
  return [0.985 * lamp, 0.965 * lamp, 0.925 * lamp];
}

/** The bare table at a lamp setting, for what lies beside the drawn picture. */
export function tableColor(lamp: number): string {
  return `rgb(${tableTone(lamp)
    .map((c) => Math.round(c * 255))
    .join(' ')})`;
}

/** The net to light, if any, and whether the other copper fades for it. */
export interface Light {
  net: number | null;
  alone: boolean;
}

/** Widest ring of ink in a hole, nm. */
const RING_NM = 50_000;

const VERTEX = `#version 300 es
in vec2 place;
uniform vec2 scale;
uniform vec2 shift;
void main() { gl_Position = vec4(place * scale + shift, 0.0, 1.0); }`;

const FRAGMENT = `#version 300 es
precision mediump float;
uniform vec3 ink;
uniform float strength;
uniform float hatch;
out vec4 color;
void main() {
  float on = strength;
  if (hatch > 0.5) {
    float stripe = mod(gl_FragCoord.x + gl_FragCoord.y, 7.0);
    on *= stripe < 2.6 ? 1.0 : 0.28;
  }
  color = vec4(mix(vec3(1.0), ink, on), 1.0);
}`;

interface Buffered {
  array: WebGLVertexArrayObject;
  buffer: WebGLBuffer;
  count: number;
  nets: Mesh['nets'];
}

/**
 * Draws films on the lit table with WebGL 2. Inks multiply what lies under them, so their order does
 * not matter; holes are punched through all of them last.
 */
export class Renderer {
  private readonly gl: WebGL2RenderingContext;
  private readonly program: WebGLProgram;
  private readonly films = new Map<string, Buffered>();
  private readonly uniforms: Record<string, WebGLUniformLocation | null> = {};
  private holes: Buffered | null = null;
  private rings: Buffered | null = null;

  constructor(
    canvas: HTMLCanvasElement,
    private readonly originX: number,
    private readonly originY: number,
  ) {
    const gl = canvas.getContext('webgl2', { antialias: true, preserveDrawingBuffer: true });
    if (!gl) {
      throw new Error('This browser has no WebGL 2, which the light table needs.');
    }
    this.gl = gl;
    this.program = this.link();
    for (const name of ['scale', 'shift', 'ink', 'strength', 'hatch']) {
      this.uniforms[name] = gl.getUniformLocation(this.program, name);
    }
    gl.enable(gl.BLEND);
  }

  private link(): WebGLProgram {
    const { gl } = this;
    const program = gl.createProgram();
    for (const [type, source] of [
      [gl.VERTEX_SHADER, VERTEX],
      [gl.FRAGMENT_SHADER, FRAGMENT],
    ] as const) {
      const shader = gl.createShader(type);
      if (!shader) {
        throw new Error('The graphics system refused a shader.');
      }
      gl.shaderSource(shader, source);
      gl.compileShader(shader);
      gl.attachShader(program, shader);
    }
    gl.linkProgram(program);
    if (!gl.getProgramParameter(program, gl.LINK_STATUS)) {
      throw new Error(gl.getProgramInfoLog(program) ?? 'The shaders do not link.');
    }
    return program;
  }

  private buffered(positions: Float32Array, nets: Mesh['nets']): Buffered {
    const { gl } = this;
    const array = gl.createVertexArray();
    const buffer = gl.createBuffer();
    gl.bindVertexArray(array);
    gl.bindBuffer(gl.ARRAY_BUFFER, buffer);
    gl.bufferData(gl.ARRAY_BUFFER, positions, gl.STATIC_DRAW);
    const place = gl.getAttribLocation(this.program, 'place');
    gl.enableVertexAttribArray(place);
    gl.vertexAttribPointer(place, 2, gl.FLOAT, false, 0, 0);
    return { array, buffer, count: positions.length / 2, nets };
  }

  setFilm(role: string, mesh: Mesh): void {
    this.films.set(role, this.buffered(mesh.positions, mesh.nets));
  }

  setHoles(holes: readonly Hole[]): void {
    const shapes = (inset: 0 | -1) =>
      new Float32Array(
        holes.flatMap((h) => {
          const ring = Math.min(RING_NM, h.diameter * 0.08);
          return capsule(h, this.originX, this.originY, h.diameter / 2 + inset * ring);
        }),
      );
    // The ring of ink lies within the hole, so that it hides no copper.
    this.rings = this.buffered(shapes(0), new Map());
    this.holes = this.buffered(shapes(-1), new Map());
  }

  draw(
    view: Viewport,
    films: readonly FilmDrawing[],
    holesOn: Film,
    light: Light,
    lamp: number,
  ): void {
    const { gl } = this;
    const ratio = window.devicePixelRatio || 1;
    gl.viewport(0, 0, view.width * ratio, view.height * ratio);
    const table = tableTone(lamp);
    gl.clearColor(...table, 1);
    gl.clear(gl.COLOR_BUFFER_BIT);
    gl.useProgram(this.program);
    const side = view.flipped ? -1 : 1;
    const sx = (side * 2000 * view.scale) / view.width;
    const sy = (2000 * view.scale) / view.height;
    gl.uniform2f(this.uniforms['scale'] ?? null, sx, sy);
    gl.uniform2f(
      this.uniforms['shift'] ?? null,
      ((this.originX - view.cx) / 1000) * sx,
      ((this.originY - view.cy) / 1000) * sy,
    );
    gl.blendFunc(gl.DST_COLOR, gl.ZERO);
    for (const f of films) {
      const film = this.films.get(f.role);
      if (film && f.film !== 'off') {
        const faded = light.alone && f.role.startsWith('copper-');
        const strength = f.film === 'dim' ? 0.25 : faded ? 0.45 : 0.95;
        this.paint(inkOf(f.role), strength, isHatched(f.role));
        this.all(film);
      }
    }
    if (light.net !== null) {
      this.lightNet(films, light.net);
    }
    if (holesOn !== 'off') {
      this.punch(table, holesOn);
    }
  }

  /** The copper of one net again, stronger. */
  private lightNet(films: readonly FilmDrawing[], net: number): void {
    const { gl } = this;
    for (const f of films) {
      const film = this.films.get(f.role);
      if (film && f.film !== 'off' && f.role.startsWith('copper-')) {
        const [r, g, b] = inkOf(f.role);
        this.paint([r * 0.8, g * 0.72, b * 0.72], 1, false);
        gl.bindVertexArray(film.array);
        for (const range of film.nets.get(net) ?? []) {
          gl.drawArrays(gl.TRIANGLES, range.start, range.count);
        }
      }
    }
  }

  private punch(table: [number, number, number], film: Film): void {
    const { gl } = this;
    if (this.holes && this.rings) {
      this.paint([0.3, 0.27, 0.23], film === 'dim' ? 0.3 : 0.85, false);
      this.all(this.rings);
      gl.blendFunc(gl.ONE, gl.ZERO);
      this.paint([table[0] * 1.01, table[1] * 1.02, table[2] * 1.05], 1, false);
      this.all(this.holes);
    }
  }

  private paint(color: readonly [number, number, number], strength: number, hatch: boolean): void {
    const { gl } = this;
    gl.uniform3f(this.uniforms['ink'] ?? null, color[0], color[1], color[2]);
    gl.uniform1f(this.uniforms['strength'] ?? null, strength);
    gl.uniform1f(this.uniforms['hatch'] ?? null, hatch ? 1 : 0);
  }

  private all(what: Buffered): void {
    this.gl.bindVertexArray(what.array);
    this.gl.drawArrays(this.gl.TRIANGLES, 0, what.count);
  }

  /** Gives back what the graphics system holds. */
  dispose(): void {
    for (const b of [...this.films.values(), this.holes, this.rings]) {
      if (b) {
        this.gl.deleteBuffer(b.buffer);
        this.gl.deleteVertexArray(b.array);
      }
    }
    this.films.clear();
    this.gl.deleteProgram(this.program);
  }
}

/** A hole or slot as triangles: a fan about its middle. Radius in nm. */
function capsule(h: Hole, ox: number, oy: number, r: number): number[] {
  const radius = r / 1000;
  const angle = Math.atan2(h.y1 - h.y0, h.x1 - h.x0);
  const points: [number, number][] = [];
  const n = 24;
  for (let half = 0; half < 2; half++) {
    const x = ((half === 0 ? h.x1 : h.x0) - ox) / 1000;
    const y = ((half === 0 ? h.y1 : h.y0) - oy) / 1000;
    for (let i = 0; i <= n; i++) {
      const a = angle - Math.PI / 2 + half * Math.PI + (Math.PI * i) / n;
      points.push([x + radius * Math.cos(a), y + radius * Math.sin(a)]);
    }
  }
  const mx = ((h.x0 + h.x1) / 2 - ox) / 1000;
  const my = ((h.y0 + h.y1) / 2 - oy) / 1000;
  return points.flatMap((p, i) => {
    const q = points[(i + 1) % points.length] ?? p;
    return [mx, my, p[0], p[1], q[0], q[1]];
  });
}

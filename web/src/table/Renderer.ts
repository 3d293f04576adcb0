import type { Hole } from '../api/client';
import type { Film } from '../store/view';
import { inkOf, isHatched, type Ink } from './inks';
import { capsule, COARSE_UM, FINE_UM, Vertices, type Large, type Mesh, type Tile } from './layers';
import { axes, toBoard, type Extent, type Viewport } from './viewport';

/** One film to draw; an ink and strength of its own where it is not to have the usual ones. */
export interface FilmDrawing {
  role: string;
  film: Film;
  ink?: Ink;
  strength?: number;
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

/** A net to light, in an ink of its own or in a stronger one of its film. */
export interface Lit {
  net: number;
  ink?: Ink;
}

/** The nets to light, and whether the other copper fades for them. */
export interface Light {
  nets: readonly Lit[];
  alone: boolean;
}

/** A coarse film serves while its error stays below this many pixels. */
const COARSE_PX = 0.5;

/** Widest ring of ink in a hole, nm. */
const RING_NM = 50_000;

const VERTEX = `#version 300 es
in vec2 place;
uniform mat2 view;
uniform vec2 shift;
uniform float depth;
void main() { gl_Position = vec4(view * place + shift, depth, 1.0); }`;

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
  mesh: Mesh;
  /** The fine mesh of a large film, made when the view first comes near enough to need it. */
  fine: Buffered | null;
}

/**
 * Draws films on the lit table with WebGL 2. Inks multiply what lies under them, so their order does
 * not matter; holes are punched through all of them last. Each film has a depth of its own and is
 * drawn only where nothing lies at that depth yet, so pieces of a film that overlap ink once. Smooth
 * edges cost four times the work, which a very large board cannot afford without a graphics card.
 */
export class Renderer {
  private readonly gl: WebGL2RenderingContext;
  private readonly program: WebGLProgram;
  private readonly films = new Map<string, Buffered>();
  private readonly uniforms: Record<string, WebGLUniformLocation | null> = {};
  private holes: Buffered | null = null;
  private rings: Buffered | null = null;
  private layer = 0;
  private pixelsPerUm = 0;
  private seen: Extent = { minX: 0, minY: 0, maxX: 0, maxY: 0 };

  constructor(
    canvas: HTMLCanvasElement,
    private readonly originX: number,
    private readonly originY: number,
    smooth: boolean,
  ) {
    const gl = canvas.getContext('webgl2', {
      antialias: smooth,
      depth: true,
      preserveDrawingBuffer: true,
    });
    if (!gl) {
      throw new Error('This browser has no WebGL 2, which the light table needs.');
    }
    this.gl = gl;
    this.program = this.link();
    for (const name of ['view', 'shift', 'depth', 'ink', 'strength', 'hatch']) {
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

  private buffered(mesh: Mesh): Buffered {
    const { gl } = this;
    const array = gl.createVertexArray();
    const buffer = gl.createBuffer();
    gl.bindVertexArray(array);
    gl.bindBuffer(gl.ARRAY_BUFFER, buffer);
    gl.bufferData(gl.ARRAY_BUFFER, mesh.positions, gl.STATIC_DRAW);
    const place = gl.getAttribLocation(this.program, 'place');
    gl.enableVertexAttribArray(place);
    gl.vertexAttribPointer(place, 2, gl.FLOAT, false, 0, 0);
    return { array, buffer, mesh, fine: null };
  }

  setFilm(role: string, mesh: Mesh): void {
    this.release(this.films.get(role) ?? null);
    this.films.set(role, this.buffered(mesh));
  }

  setHoles(holes: readonly Hole[]): void {
    // The ring of ink lies within the hole, so that it hides no copper.
    this.rings = this.buffered(holeMesh(holes, this.originX, this.originY));
    this.holes = this.buffered(holeMesh(holes, this.originX, this.originY, RING_NM));
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
    gl.clearDepth(1);
    gl.clear(gl.COLOR_BUFFER_BIT | gl.DEPTH_BUFFER_BIT);
    gl.enable(gl.DEPTH_TEST);
    gl.depthFunc(gl.LESS);
    this.layer = 0;
    this.pixelsPerUm = view.scale * 1000;
    const corners = [toBoard(view, 0, 0), toBoard(view, view.width, view.height)] as const;
    const um = (k: 0 | 1, origin: number) => corners.map((c) => (c[k] - origin) / 1000);
    this.seen = {
      minX: Math.min(...um(0, this.originX)),
      maxX: Math.max(...um(0, this.originX)),
      minY: Math.min(...um(1, this.originY)),
      maxY: Math.max(...um(1, this.originY)),
    };
    gl.useProgram(this.program);
    const [xx, xy, yx, yy] = axes(view);
    const sx = (2000 * view.scale) / view.width;
    const sy = (2000 * view.scale) / view.height;
    // Column by column: where the board's x goes, then its y.
    gl.uniformMatrix2fv(this.uniforms['view'] ?? null, false, [xx * sx, yx * sy, xy * sx, yy * sy]);
    const ox = (this.originX - view.cx) / 1000;
    const oy = (this.originY - view.cy) / 1000;
    gl.uniform2f(
      this.uniforms['shift'] ?? null,
      (xx * ox + xy * oy) * sx,
      (yx * ox + yy * oy) * sy,
    );
    gl.blendFunc(gl.DST_COLOR, gl.ZERO);
    for (const f of films) {
      const film = f.film === 'off' ? undefined : this.film(f.role);
      if (film) {
        const faded = light.alone && f.role.startsWith('copper-');
        const strength = f.strength ?? (f.film === 'dim' ? 0.25 : faded ? 0.45 : 0.95);
        this.paint(f.ink ?? inkOf(f.role), strength, !f.ink && isHatched(f.role));
        this.all(film);
      }
    }
    light.nets.forEach((l) => this.lightNet(films, l));
    if (holesOn !== 'off') {
      this.punch(table, holesOn);
    }
  }

  /** The copper of one net again, stronger. */
  private lightNet(films: readonly FilmDrawing[], { net, ink }: Lit): void {
    const { gl } = this;
    for (const f of films) {
      const film = f.film !== 'off' && f.role.startsWith('copper-') ? this.film(f.role) : undefined;
      if (film) {
        const [r, g, b] = inkOf(f.role);
        this.paint(ink ?? [r * 0.8, g * 0.72, b * 0.72], ink ? 0.95 : 0.7, false);
        gl.bindVertexArray(film.array);
        for (const range of film.mesh.nets.get(net) ?? []) {
          gl.drawArrays(gl.TRIANGLES, range.start, range.count);
        }
        film.mesh.large.filter((l) => l.net === net).forEach((l) => this.masked(l));
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
    this.layer += 1;
    gl.uniform1f(this.uniforms['depth'] ?? null, 0.9 - this.layer / 100);
  }

  private all(what: Buffered): void {
    this.gl.bindVertexArray(what.array);
    for (const t of what.mesh.tiles) {
      if (this.inView(t)) {
        this.gl.drawArrays(this.gl.TRIANGLES, t.start, t.count);
      }
    }
    what.mesh.large.forEach((l) => this.masked(l));
  }

  private inView(t: Tile): boolean {
    const v = this.seen;
    return t.maxX >= v.minX && t.minX <= v.maxX && t.maxY >= v.minY && t.minY <= v.maxY;
  }

  /** Lays the holes down without ink; at their depth nothing more is drawn. */
  private masked({ mask, fill }: Large): void {
    const { gl } = this;
    gl.colorMask(false, false, false, false);
    gl.drawArrays(gl.TRIANGLES, mask.start, mask.count);
    gl.colorMask(true, true, true, true);
    gl.drawArrays(gl.TRIANGLES, fill.start, fill.count);
  }

  private release(what: Buffered | null): void {
    if (what) {
      this.gl.deleteBuffer(what.buffer);
      this.gl.deleteVertexArray(what.array);
      this.release(what.fine);
    }
  }

  /** The coarse film from afar, the fine one from near. */
  private film(role: string): Buffered | undefined {
    const film = this.films.get(role);
    if (!film?.mesh.fine || COARSE_UM * this.pixelsPerUm < COARSE_PX) {
      return film;
    }
    film.fine ??= this.buffered(film.mesh.fine());
    return film.fine;
  }

  /** Gives back what the graphics system holds. */
  dispose(): void {
    for (const b of [...this.films.values(), this.holes, this.rings]) {
      this.release(b);
    }
    this.films.clear();
    this.gl.deleteProgram(this.program);
  }
}

/** Holes as a mesh; each smaller by a ring of at most so many nm, and never by much of itself. */
export function holeMesh(holes: readonly Hole[], ox: number, oy: number, inset = 0): Mesh {
  const vertices = new Vertices();
  for (const h of holes) {
    const radius = (h.diameter / 2 - Math.min(inset, h.diameter * 0.08)) / 1000;
    const ends = [h.x0 - ox, h.y0 - oy, h.x1 - ox, h.y1 - oy].map((nm) => nm / 1000);
    capsule(ends as [number, number, number, number], radius, FINE_UM, vertices);
  }
  const positions = vertices.done();
  const plain = positions.length / 2;
  const everywhere = { minX: -Infinity, minY: -Infinity, maxX: Infinity, maxY: Infinity };
  const tiles = [{ start: 0, count: plain, ...everywhere }];
  return { positions, plain, tiles, nets: new Map(), large: [] };
}

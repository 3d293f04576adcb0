import * as THREE from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import type { Solid } from '../api/client';
import type { Mesh, Range } from './layers';

/** Everything the solid view shows; meshes in micrometres from the board's lower left corner. */
export interface SolidParts {
  solid: Solid;
  surface: Mesh;
  layers: ReadonlyMap<string, Mesh>;
  /** Every hole, for the picture: on a large board only the wider ones are cut out of the body. */
  holes: Mesh;
  originX: number;
  originY: number;
  width: number;
  height: number;
  maskColor: string;
  /** Of copper that the mask leaves open. */
  finishColor: string;
  bodies: boolean;
}

const LAMINATE = 0xc9b583;
const SILK = 0xf4f1e8;
const WALL = 0xa99663;
const HOLE = 0x3a352c;
const ZONE = 0x2f6f7a;
const TOO_HIGH = 0xa8321f;
/** In a pane as wide as high, or wider, the whole board is seen. */
const WHOLE_ASPECT = 1;
const LONGEST_TEXTURE = 4096;

function flat(mesh: Mesh, { start, count }: Range): THREE.BufferGeometry {
  const xyz = new Float32Array(count * 3);
  for (let i = 0; i < count; i++) {
    xyz[3 * i] = mesh.positions[2 * (start + i)] ?? 0;
    xyz[3 * i + 1] = mesh.positions[2 * (start + i) + 1] ?? 0;
  }
  const geometry = new THREE.BufferGeometry();
  geometry.setAttribute('position', new THREE.BufferAttribute(xyz, 3));
  return geometry;
}

interface Paint {
  color: number | string;
  /** Draw only where openings were drawn, or only where none were. */
  where?: 'open' | 'covered';
  marksOpen?: boolean;
}

/** One layer of paint: each at a depth of its own, above the ones before. */
function paint(scene: THREE.Scene, mesh: Mesh | undefined, order: number, p: Paint): void {
  if (!mesh) {
    return;
  }
  let step = order * 1000;
  const add = (range: Range, visible: boolean) => {
    const material = new THREE.MeshBasicMaterial({
      color: p.color,
      side: THREE.DoubleSide,
      depthFunc: THREE.LessDepth,
      colorWrite: visible,
    });
    if (visible && (p.marksOpen || p.where)) {
      material.stencilWrite = true;
      material.stencilRef = 1;
      if (p.marksOpen) {
        material.stencilZPass = THREE.ReplaceStencilOp;
      } else {
        material.stencilFunc =
          p.where === 'open' ? THREE.EqualStencilFunc : THREE.NotEqualStencilFunc;
      }
    }
    const drawn = new THREE.Mesh(flat(mesh, range), material);
    drawn.renderOrder = step++;
    drawn.position.z = order;
    drawn.frustumCulled = false;
    scene.add(drawn);
  };
  add({ start: 0, count: mesh.plain }, true);
  for (const l of mesh.large) {
    add(l.mask, false);
    add(l.fill, true);
  }
}

/** One side of the board as a picture: mask over copper, bare where it opens, silk on top. */
function face(
  renderer: THREE.WebGLRenderer,
  parts: SolidParts,
  side: 'top' | 'bottom',
): THREE.Texture {
  const scale = Math.min(60, LONGEST_TEXTURE / (Math.max(parts.width, parts.height) / 1000));
  const target = new THREE.WebGLRenderTarget(
    Math.max(16, Math.round((parts.width / 1000) * scale)),
    Math.max(16, Math.round((parts.height / 1000) * scale)),
    { stencilBuffer: true, colorSpace: THREE.SRGBColorSpace, generateMipmaps: true },
  );
  target.texture.minFilter = THREE.LinearMipmapLinearFilter;
  target.texture.anisotropy = renderer.capabilities.getMaxAnisotropy();
  const scene = new THREE.Scene();
  const mask = new THREE.Color(parts.maskColor);
  scene.background = mask;
  const raised = mask.clone().lerp(new THREE.Color(0xf2e8c8), 0.06);
  const copper = parts.layers.get(`copper-${side}`);
  paint(scene, copper, 1, { color: raised.getHex() });
  paint(scene, parts.layers.get(`mask-${side}`), 2, { color: LAMINATE, marksOpen: true });
  paint(scene, copper, 3, { color: parts.finishColor, where: 'open' });
  paint(scene, parts.layers.get(`silk-${side}`), 4, { color: SILK, where: 'covered' });
  paint(scene, parts.holes, 5, { color: HOLE });
  const camera = new THREE.OrthographicCamera(0, parts.width, parts.height, 0, -10, 10);
  const before = renderer.getRenderTarget();
  renderer.setRenderTarget(target);
  renderer.render(scene, camera);
  renderer.setRenderTarget(before);
  scene.traverse((o) => {
    if (o instanceof THREE.Mesh || o instanceof THREE.LineSegments) {
      (o.geometry as THREE.BufferGeometry).dispose();
      (o.material as THREE.Material).dispose();
    }
  });
  return target.texture;
}

function plate(parts: SolidParts, z: number, texture: THREE.Texture): THREE.Mesh {
  const geometry = flat(parts.surface, { start: 0, count: parts.surface.plain });
  const position = geometry.getAttribute('position');
  const uv = new Float32Array(position.count * 2);
  for (let i = 0; i < position.count; i++) {
    uv[2 * i] = position.getX(i) / parts.width;
    uv[2 * i + 1] = position.getY(i) / parts.height;
  }
  geometry.setAttribute('uv', new THREE.BufferAttribute(uv, 2));
  const mesh = new THREE.Mesh(
    geometry,
    new THREE.MeshBasicMaterial({ map: texture, side: THREE.DoubleSide }),
  );
  mesh.position.z = z;
  return mesh;
}

/** The edge of the board and of every hole: sides that only one triangle of the surface has. */
export function walls(surface: Mesh, thickness: number): Float32Array {
  const sides = new Map<string, [number, number, number, number] | null>();
  const p = surface.positions;
  for (let i = 0; i + 5 < p.length; i += 6) {
    for (let k = 0; k < 3; k++) {
      const ax = p[i + 2 * k] ?? 0;
      const ay = p[i + 2 * k + 1] ?? 0;
      const bx = p[i + ((2 * k + 2) % 6)] ?? 0;
      const by = p[i + ((2 * k + 3) % 6)] ?? 0;
      const there = `${ax},${ay},${bx},${by}`;
      const back = `${bx},${by},${ax},${ay}`;
      if (sides.has(back)) {
        sides.set(back, null);
      } else {
        sides.set(there, sides.has(there) ? null : [ax, ay, bx, by]);
      }
    }
  }
  const out: number[] = [];
  for (const side of sides.values()) {
    if (side) {
      const [ax, ay, bx, by] = side;
      out.push(ax, ay, 0, bx, by, 0, bx, by, thickness);
      out.push(ax, ay, 0, bx, by, thickness, ax, ay, thickness);
    }
  }
  return new Float32Array(out);
}

/** A part as a box; left off, only its edges are drawn. */
function box(parts: SolidParts, b: Solid['bodies'][number], thickness: number): THREE.Object3D {
  const tall = b.height / 1000;
  const shape = new THREE.BoxGeometry(b.length / 1000, b.width / 1000, tall);
  const color = b.tooHigh ? TOO_HIGH : b.guessed ? 0x9a8f7c : b.throughHole ? 0x4b5560 : 0x33302c;
  const part = b.fitted
    ? new THREE.Mesh(
        shape,
        new THREE.MeshLambertMaterial({
          color,
          transparent: b.guessed,
          opacity: b.guessed ? 0.6 : 1,
        }),
      )
    : new THREE.LineSegments(
        new THREE.EdgesGeometry(shape),
        new THREE.LineBasicMaterial({ color: 0x6b6153 }),
      );
  part.rotation.z = (b.angleDeg * Math.PI) / 180;
  part.position.set(
    (b.x - parts.originX) / 1000,
    (b.y - parts.originY) / 1000,
    b.side === 'bottom' ? -tall / 2 : thickness + tall / 2,
  );
  return part;
}

/** The underside of what lies above the board: nothing may reach into it. */
function slab(parts: SolidParts, z: Solid['zones'][number], thickness: number): THREE.Object3D {
  const group = new THREE.Group();
  const at = z.side === 'bottom' ? -z.atMostNm / 1000 : thickness + z.atMostNm / 1000;
  for (const ring of z.rings) {
    const shape = new THREE.Shape();
    const edge: THREE.Vector3[] = [];
    for (let i = 0; i + 1 < ring.length; i += 2) {
      const x = ((ring[i] ?? 0) - parts.originX) / 1000;
      const y = ((ring[i + 1] ?? 0) - parts.originY) / 1000;
      edge.push(new THREE.Vector3(x, y, 0));
      if (i === 0) {
        shape.moveTo(x, y);
      } else {
        shape.lineTo(x, y);
      }
    }
    group.add(
      new THREE.Mesh(
        new THREE.ShapeGeometry(shape),
        new THREE.MeshBasicMaterial({
          color: ZONE,
          transparent: true,
          opacity: 0.18,
          side: THREE.DoubleSide,
          depthWrite: false,
        }),
      ),
      new THREE.LineLoop(
        new THREE.BufferGeometry().setFromPoints(edge),
        new THREE.LineBasicMaterial({ color: ZONE }),
      ),
    );
  }
  group.position.z = at;
  return group;
}

/** Puts the board into a canvas; the returned function takes it away again. */
export function showSolid(canvas: HTMLCanvasElement, parts: SolidParts): () => void {
  const renderer = new THREE.WebGLRenderer({
    canvas,
    antialias: true,
    alpha: true,
    stencil: true,
    preserveDrawingBuffer: true,
  });
  const scene = new THREE.Scene();
  const thickness = parts.solid.thicknessNm / 1000;
  const board = new THREE.Group();
  board.add(plate(parts, thickness, face(renderer, parts, 'top')));
  board.add(plate(parts, 0, face(renderer, parts, 'bottom')));
  const edge = new THREE.BufferGeometry();
  edge.setAttribute('position', new THREE.BufferAttribute(walls(parts.surface, thickness), 3));
  edge.computeVertexNormals();
  board.add(
    new THREE.Mesh(edge, new THREE.MeshLambertMaterial({ color: WALL, side: THREE.DoubleSide })),
  );
  if (parts.bodies) {
    parts.solid.bodies.forEach((b) => board.add(box(parts, b, thickness)));
  }
  parts.solid.zones.forEach((z) => board.add(slab(parts, z, thickness)));
  board.position.set(-parts.width / 2, -parts.height / 2, -thickness / 2);
  scene.add(board);
  scene.add(new THREE.AmbientLight(0xffffff, 1.6));
  const sun = new THREE.DirectionalLight(0xffffff, 1.8);
  sun.position.set(-0.6, 0.8, 1.6);
  scene.add(sun);
  const size = Math.hypot(parts.width, parts.height);
  const camera = new THREE.PerspectiveCamera(32, 1, size / 200, size * 20);
  // Seen from farther off in a narrow pane, so that no side is cut off.
  const off = size * Math.max(1, WHOLE_ASPECT / (canvas.clientWidth / canvas.clientHeight || 1));
  camera.position.set(off * 0.1, -off * 1.05, off * 1.55);
  const controls = new OrbitControls(camera, canvas);
  controls.enableDamping = false;
  controls.listenToKeyEvents(canvas);
  const draw = () => {
    const width = canvas.clientWidth;
    const height = canvas.clientHeight;
    if (width > 0 && height > 0) {
      renderer.setSize(width, height, false);
      camera.aspect = width / height;
      camera.updateProjectionMatrix();
      renderer.render(scene, camera);
      canvas.dataset['drawn'] = String(Number(canvas.dataset['drawn'] ?? 0) + 1);
    }
  };
  controls.addEventListener('change', draw);
  const watch = new ResizeObserver(draw);
  watch.observe(canvas);
  draw();
  return () => {
    watch.disconnect();
    controls.dispose();
    scene.traverse((o) => {
      if (o instanceof THREE.Mesh || o instanceof THREE.LineSegments) {
        (o.geometry as THREE.BufferGeometry).dispose();
        (o.material as THREE.Material).dispose();
      }
    });
    renderer.dispose();
  };
}

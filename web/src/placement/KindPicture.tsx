import type { KindSheet } from '../api/client';

type Turned = KindSheet['parts'][number];

/** Rings of x, y in turn as a path; y runs up on the board and down on the screen. */
function path(rings: readonly (readonly number[])[]): string {
  return rings
    .map((r) => {
      let d = '';
      for (let i = 0; i + 1 < r.length; i += 2) {
        d += `${i === 0 ? 'M' : 'L'}${r[i]} ${-(r[i + 1] ?? 0)}`;
      }
      return `${d}Z`;
    })
    .join('');
}

/** One part turned back to 0°, with its pads, silk, pin 1 and what lies about it. */
export function KindPicture({ part, reach }: { part: Turned; reach: number }) {
  const own = new Set(part.own);
  const pads = part.pads.filter((_, i) => own.has(i));
  const beside = part.pads.filter((_, i) => !own.has(i));
  const hair = reach / 60;
  const wedge = (x: number, y: number) => {
    const far = Math.hypot(x, y) || 1;
    const [dx, dy] = [-x / far, -y / far];
    const s = reach / 9;
    return `M${x + dx * s} ${-(y + dy * s)}L${x - dx * s * 0.5 - dy * s * 0.6} ${-(y - dy * s * 0.5 + dx * s * 0.6)}L${x - dx * s * 0.5 + dy * s * 0.6} ${-(y - dy * s * 0.5 - dx * s * 0.6)}Z`;
  };
  return (
    <svg
      viewBox={`${-reach} ${-reach} ${2 * reach} ${2 * reach}`}
      className="bg-paper block aspect-square w-full"
      aria-hidden
    >
      <path d={path(beside)} fill="#e4dccb" fillRule="evenodd" />
      <path d={path(part.silk)} fill="#a39a8b" />
      <path d={path(pads)} fill="#c9895f" fillRule="evenodd" />
      <path d={path(part.body)} fill="none" stroke="#2f2a24" strokeWidth={hair} />
      {typeof part.pin1X === 'number' && typeof part.pin1Y === 'number' ? (
        <path d={wedge(part.pin1X, part.pin1Y)} fill="#2f2a24" />
      ) : null}
    </svg>
  );
}

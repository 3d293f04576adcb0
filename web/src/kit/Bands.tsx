import type { KitStep } from '../api/client';

/** A resistor with its bands in their colours, named beneath. */
export function Bands({ reading }: { reading: KitStep['colours'][number] }) {
  const n = reading.bands.length;
  // The tolerance stands apart, so that it is seen where to begin.
  const x = (i: number) => 34 + i * 17 + (n >= 4 && i >= (n === 4 ? 3 : 4) ? 9 : 0);
  return (
    <figure className="my-1.5">
      <svg
        viewBox="0 0 190 34"
        className="h-[34px] w-[190px]"
        role="img"
        aria-label={reading.words}
      >
        <line x1="0" y1="17" x2="190" y2="17" stroke="#8a8272" strokeWidth="3" />
        <rect x="22" y="2" width="146" height="30" rx="7" fill="#e6d3ab" stroke="#8a8272" />
        {reading.bands.map((b, i) => (
          <rect
            key={`${i} ${b.word}`}
            x={x(i)}
            y="2"
            width="9"
            height="30"
            fill={b.ink}
            stroke="#6b6153"
            strokeWidth="0.7"
          />
        ))}
      </svg>
      <figcaption className="text-[13.5px]">
        {reading.words}
        {reading.tolerancePercent > 0 ? (
          <span className="text-faint"> if it is {reading.tolerancePercent} %</span>
        ) : null}
      </figcaption>
    </figure>
  );
}

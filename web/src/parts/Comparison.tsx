import type { Offer } from '../api/client';

const MARKS: Record<string, { mark: string; look: string; word: string }> = {
  better: { mark: '▲', look: 'text-good', word: 'better' },
  equal: { mark: '=', look: 'text-faint', word: 'equal' },
  worse: { mark: '▼', look: 'text-stop font-semibold', word: 'worse' },
  other: { mark: '≠', look: 'text-look', word: 'other' },
  'not-stated': { mark: '?', look: 'text-look', word: 'not stated' },
};

/** A part against the original, parameter by parameter; pins and package too. */
export function Comparison({ offer }: { offer: Offer }) {
  return (
    <table aria-label={`${offer.number} against the original`} className="mt-1 w-full text-[13px]">
      <thead className="text-faint text-left">
        <tr>
          <th className="font-normal">parameter</th>
          <th className="font-normal">now</th>
          <th className="font-normal">{offer.number}</th>
          <th className="font-normal" />
        </tr>
      </thead>
      <tbody>
        {offer.rows.map((r) => {
          const m = MARKS[r.verdict];
          return (
            <tr key={r.title} className="border-edge/60 border-t align-baseline">
              <td className="py-0.5 pr-2">{r.title}</td>
              <td className="num pr-2">{r.original}</td>
              <td className="num pr-2">{m ? r.other : ''}</td>
              <td className={m?.look ?? ''}>
                {m ? (
                  <>
                    {m.mark} {m.word}
                    {r.why && r.verdict !== 'equal' ? (
                      <span className="text-faint block text-[12px] font-normal">{r.why}</span>
                    ) : null}
                  </>
                ) : null}
              </td>
            </tr>
          );
        })}
        <tr className="border-edge/60 border-t align-baseline">
          <td className="py-0.5">package</td>
          <td />
          <td className="num">{offer.packageName || 'not stated'}</td>
          <td className={offer.samePackage ? 'text-faint' : 'text-stop font-semibold'}>
            {offer.samePackage ? '= same pads' : '≠ not on these pads'}
          </td>
        </tr>
        <tr className="border-edge/60 border-t align-baseline">
          <td className="py-0.5">pins</td>
          <td
            colSpan={3}
            className={offer.pins && offer.pins.length > 0 ? 'text-stop' : 'text-faint'}
          >
            {offer.pins == null
              ? 'not stated by both'
              : offer.pins.length === 0
                ? 'in the same order'
                : offer.pins.join('; ')}
          </td>
        </tr>
      </tbody>
    </table>
  );
}

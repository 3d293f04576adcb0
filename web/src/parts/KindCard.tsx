import { fittedWords } from './fitted';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type Job, type Offer, type PartKind, type Parts } from '../api/client';
import { useWork } from '../api/tasks';
import { Button } from '../ui/Button';
import { Comparison } from './Comparison';
import { Needs } from './Needs';
import { WhereFitted } from './WhereFitted';
import { money, pieces } from './words';
import type { PartsChange } from './usePartsChange';

const NEED_MARK: Record<string, string> = { met: '✓', unproven: '?', 'not-met': '✗' };

/** Whether a part does what it must, and what that rests on. */
function Proofs({ needs }: { needs: Offer['needs'] }) {
  return (
    <>
      {needs.map((n) => (
        <p
          key={n.need}
          className={`text-[13px] ${n.answer === 'met' ? 'text-good' : n.answer === 'not-met' ? 'text-stop' : 'text-look'}`}
        >
          {NEED_MARK[n.answer]} {n.need}: <b>{n.answer === 'not-met' ? 'not met' : n.answer}</b>,{' '}
          {n.why}
        </p>
      ))}
    </>
  );
}

/** A part that could be fitted, on one line; what speaks against it is said. */
function OfferLine({
  offer,
  open,
  busy,
  onOpen,
  onTake,
}: {
  offer: Offer;
  open: boolean;
  busy: boolean;
  onOpen: () => void;
  onTake: () => void;
}) {
  const worse = offer.rows.filter((r) => r.verdict === 'worse').length;
  const silent = offer.rows.filter((r) => r.verdict === 'not-stated').length;
  const said = [
    ...offer.against,
    ...(offer.samePackage ? [] : [`another package: ${offer.packageName}`]),
    ...(offer.pins && offer.pins.length > 0 ? ['its pins are in another order'] : []),
    ...(offer.stock === 0 ? ['not to be had'] : []),
    ...(offer.life === 'in production' ? [] : [offer.life]),
    ...(worse > 0 ? [`worse in ${worse}`] : []),
    ...(silent > 0 ? [`${silent} not stated`] : []),
  ].filter((s, i, all) => all.indexOf(s) === i);
  return (
    <li data-offer={offer.number} className="border-edge/60 border-b py-1.5">
      <div className="flex items-baseline justify-between gap-2">
        <button
          type="button"
          aria-expanded={open}
          className="min-w-0 text-left"
          onClick={onOpen}
          title="Hold it against the original"
        >
          <span className="num font-semibold">
            {open ? '▾' : '▸'} {offer.number}
          </span>{' '}
          <span className="text-faint text-[13px]">{offer.description}</span>
        </button>
        <Button data-take={offer.number} disabled={busy} onClick={onTake}>
          Take
        </Button>
      </div>
      <p className="text-faint text-[13px]">
        {offer.lineStock ? 'line stock' : 'loaded to order'}, {pieces(offer.stock)} pcs
        {offer.price != null ? `, ${money(offer.price, offer.currency)}` : ', no price'}
        {offer.evidence.length > 0 ? ` · ${offer.evidence.join(', ')}` : ''}
      </p>
      <Proofs needs={offer.needs} />
      {said.length > 0 ? <p className="text-stop text-[13px]">! {said.join(' · ')}</p> : null}
      {open ? <Comparison offer={offer} /> : null}
    </li>
  );
}

/** One kind: what it is, what it must do, what else would do. */
export function KindCard({
  job,
  parts,
  kind,
  designator,
  change,
  onBack,
}: {
  job: Job;
  parts: Parts;
  kind: PartKind;
  designator: string;
  change: PartsChange;
  onBack: () => void;
}) {
  const [open, setOpen] = useState('');
  const [words, setWords] = useState('');
  const [sought, setSought] = useState('');
  const queries = useQueryClient();
  const search = useWork();
  const look = () => {
    const asked = words.trim();
    if (asked === '') {
      setSought('');
      return;
    }
    search.run(
      () => api.searchCounter(job.id, asked),
      () => {
        setSought(asked);
        void queries.invalidateQueries({ queryKey: ['candidates', job.id] });
        void queries.invalidateQueries({ queryKey: ['parts', job.id] });
      },
    );
  };
  const found = useQuery({
    queryKey: ['candidates', job.id, job.version, parts.counter.asOf, designator, sought],
    queryFn: () => api.candidates(job.id, designator, sought),
    placeholderData: (before) => before,
  });
  const view = found.data;
  const original = view?.original;
  const take = (number: string) =>
    change.make(
      () =>
        api.chooseParts(
          job.id,
          [''],
          Object.fromEntries(kind.names.map((n) => [n, { partNumber: number }])),
        ),
      () => setOpen(''),
    );
  return (
    <div>
      <Button look="quiet" className="-ml-2.5" onClick={onBack}>
        ‹ The whole list
      </Button>
      <h2 className="mt-1 text-lg font-semibold">
        {kind.words || 'no value'} <span className="num font-normal">× {kind.quantity}</span>
      </h2>
      <p className="num text-faint text-[13px] break-words">{kind.designators}</p>
      <p className="text-faint text-[13px]">
        {kind.footprint}
        {kind.packageName && kind.packageName !== kind.footprint
          ? `, package ${kind.packageName}`
          : ''}
        {kind.maker ? `, ${kind.maker}` : ''}
      </p>
      {kind.troubles.map((t) => (
        <p key={t} className="text-stop">
          ! {t}
        </p>
      ))}
      {parts.limits.shop ? (
        <label className="mt-1 flex items-baseline gap-2">
          <input
            type="checkbox"
            checked={kind.handChosen === kind.names.length}
            disabled={change.busy}
            onChange={(e) =>
              change.make(() =>
                api.byHand(job.id, { designators: kind.names }, e.target.checked ? true : null),
              )
            }
          />
          Soldered by hand
          {kind.handChosen > 0 && kind.handChosen < kind.names.length
            ? ` (${kind.handChosen} of ${kind.names.length} are)`
            : ''}
        </label>
      ) : null}
      <ul aria-label="Who fits them" className="mt-1">
        {kind.fittedBy.map((f) => (
          <li key={f.by + f.why} className={f.by === 'nobody' ? 'text-stop' : ''}>
            {kind.fittedBy.length > 1 ? <span className="num">{f.designators}: </span> : null}
            {fittedWords(f)}
          </li>
        ))}
      </ul>
      {original ? (
        <section className="bg-paper border-edge mt-2 rounded border px-3 py-2">
          <h3 className="font-semibold">
            Now: <span className="num">{original.number}</span>
          </h3>
          <p className="text-faint text-[13px]">
            {original.maker}, {original.description};{' '}
            {original.lineStock ? 'line stock' : 'loaded to order'}, {pieces(original.stock)} pcs,{' '}
            {original.life}
          </p>
          <Proofs needs={original.needs} />
          {kind.known ? null : (
            <Button
              look="main"
              className="mt-1.5"
              disabled={change.busy}
              onClick={() => take(original.number)}
            >
              This is it
            </Button>
          )}
        </section>
      ) : null}
      <Needs job={job} designator={designator} needs={view?.needs ?? []} change={change} />
      <WhereFitted job={job} parts={parts} kind={kind} change={change} />
      <div className="mt-3 mb-0.5 flex items-baseline justify-between gap-2">
        <h3 className="shrink-0 font-semibold">
          {sought ? `Found by “${sought}”` : original ? 'Instead of it' : 'Could be meant'}
        </h3>
        <input
          aria-label="Search the counter"
          placeholder="search the counter …"
          value={words}
          data-typing={words !== sought}
          onChange={(e) => setWords(e.target.value)}
          onBlur={() => words.trim() !== sought && look()}
          onKeyDown={(e) => e.key === 'Enter' && look()}
          className="border-edge bg-card w-44 rounded border px-2 py-0.5 text-[13px]"
        />
      </div>
      {view && view.offers.length === 0 ? (
        <p className="text-faint">
          {parts.counter.fault
            ? 'The counter does not answer, and it never said anything of this kind.'
            : sought
              ? 'The counter finds nothing by these words.'
              : 'The counter has nothing of this kind.'}
        </p>
      ) : null}
      <ul aria-label="Parts that could be fitted">
        {(view?.offers ?? []).map((o) => (
          <OfferLine
            key={o.number}
            offer={o}
            open={open === o.number}
            busy={change.busy}
            onOpen={() => setOpen(open === o.number ? '' : o.number)}
            onTake={() => take(o.number)}
          />
        ))}
      </ul>
    </div>
  );
}

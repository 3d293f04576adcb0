import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, type DeskOrderView, type Job, type TaskState } from '../api/client';
import { useWork, type Work } from '../api/tasks';
import { PlaceForm } from '../orders/PlaceForm';
import { Correction } from '../orders/Correction';
import { PartsAsRead } from '../orders/PartsAsRead';
import { EngineersQuestions, Progress } from '../orders/Progress';
import { Arrived, DeskAsks } from '../orders/Arrived';
import { DeskOptions } from '../orders/DeskOptions';
import { named } from '../orders/named';
import { AsRead, Quoted } from '../orders/Quoted';
import { canWithdraw } from '../orders/state';
import { shortTime } from '../times';
import { go } from '../router';
import { Button } from '../ui/Button';
import { Panel } from '../ui/Panel';
import { Select } from '../ui/Select';
import { Working } from '../ui/Working';

/** Handing a cut to the shop's order desk, and what becomes of it there. */
export function Order({ job, orders }: { job: Job; orders: readonly DeskOrderView[] | null }) {
  const queries = useQueryClient();
  const work = useWork();
  const cuts = useQuery({ queryKey: ['cuts', job.id], queryFn: () => api.cuts(job.id) });
  const sheets = useQuery({ queryKey: ['sheets'], queryFn: api.sheets, staleTime: Infinity });
  const [wanted, setWanted] = useState(0);
  const sheet = sheets.data?.find((s) => s.id === job.sheetId);
  const again = () => {
    void queries.invalidateQueries({ queryKey: ['orders', job.id] });
    void queries.invalidateQueries({ queryKey: ['handed', job.id] });
  };
  const run = (start: () => Promise<TaskState>) =>
    work.run(
      () => start().finally(again),
      () => again(),
    );
  const newest = cuts.data?.[0]?.number ?? 0;
  const cut = wanted || newest;
  const open = orders?.find((o) => ['sending', 'read', 'placing'].includes(o.state));
  const rest = orders?.filter((o) => o !== open) ?? [];
  const atDesk = open?.state === 'read' ? open.cut : 0;
  const ordered = rest.some(
    (o) => o.cut === cut && o.state === 'placed' && o.said?.state !== 'withdrawn',
  );
  const send = (
    <div className="flex items-center gap-2">
      <Button
        look={ordered ? 'plain' : 'main'}
        className="grow"
        disabled={work.state !== null}
        onClick={() => run(() => api.sendCut(job.id, cut))}
      >
        {ordered ? `Order cut ${cut} once more` : `Send cut ${cut} to the desk`}
      </Button>
      {(cuts.data?.length ?? 0) > 1 ? (
        <Select
          label="Which cut"
          placeholder="cut"
          value={String(cut)}
          onValueChange={(v) => setWanted(Number(v))}
          options={(cuts.data ?? []).map((c) => ({
            value: String(c.number),
            text: `cut ${c.number}`,
          }))}
        />
      ) : null}
    </div>
  );
  if (sheet?.kind === 'mill') {
    return (
      <Panel title="Order" lead="What a board house is told to make.">
        <p>{sheet.name} is a mill: what you make yourself is not ordered.</p>
        <Button className="mt-2" onClick={() => go({ job: job.id, station: 'mill' })}>
          Go to the mill
        </Button>
      </Panel>
    );
  }
  return (
    <Panel
      title="Order"
      lead={`${sheet ? `The desk of ${sheet.name}` : 'The desk'} reads by itself what it is sent and says what it takes it for. Nothing is ordered before you say so.`}
    >
      {newest === 0 ? (
        <div className="border-look bg-card rounded border-l-4 p-3">
          <p>There is no cut yet: the files that hold your choices, touches and tables.</p>
          <Button className="mt-2" onClick={() => go({ job: job.id, station: 'cut' })}>
            Go to Cut
          </Button>
        </div>
      ) : null}
      {newest > 0 && !open && !ordered ? send : null}
      {!open ? (
        <div className="mt-2">
          <Button
            look="quiet"
            disabled={work.state !== null || job.sheetId === ''}
            onClick={() => run(() => api.sendCut(job.id, 0))}
          >
            Send the files as they came
          </Button>
          <p className="text-faint text-[13px]">
            Without a cut: the desk guesses what each file is and asks for the rest. No choice made
            here is in them.
          </p>
        </div>
      ) : null}
      {cuts.data?.[0] && atDesk > 0 ? (
        <Correction
          job={job}
          desk={atDesk}
          newest={cuts.data[0]}
          busy={work.state !== null}
          onSend={(n) => run(() => api.sendCut(job.id, n))}
        />
      ) : null}
      {open ? <Open job={job} order={open} work={work} run={run} again={again} /> : null}
      <WorkingUnlessSaid work={work} said={open?.fault ?? ''} />
      {rest.length > 0 ? (
        <ul aria-label="Orders">
          {rest.map((o, i) => (
            <li key={o.id} data-order={o.id} className="border-edge/60 mt-3 border-t pt-2">
              <Done order={o} open={i === 0} again={again} />
            </li>
          ))}
        </ul>
      ) : null}
      {newest > 0 && !open && ordered ? (
        <div className="border-edge mt-3 border-t pt-3">{send}</div>
      ) : null}
    </Panel>
  );
}

/** What went wrong with an order stands with the order: it is not said twice. */
function WorkingUnlessSaid({ work, said }: { work: Work; said: string }) {
  return work.error !== '' && work.error === said ? null : <Working work={work} />;
}

/** An order that is not placed yet, or not known to be. */
function Open({
  job,
  order,
  work,
  run,
  again,
}: {
  job: Job;
  order: DeskOrderView;
  work: Work;
  run: (start: () => Promise<TaskState>) => void;
  again: () => void;
}) {
  const busy = work.state !== null;
  const leave = () => void api.withdraw(order.id).finally(again);
  return (
    <section aria-label={`${named(order.cut)} at the desk`} data-open-order={order.state}>
      <h2 className="font-semibold">
        {order.state === 'read'
          ? `${named(order.cut)} at the desk: nothing is ordered yet`
          : order.state === 'placing'
            ? `${named(order.cut)}: the order is on its way`
            : `${named(order.cut)} on the way to the desk`}
      </h2>
      {order.fault && !busy ? (
        <div role="alert" className="border-look bg-card my-2 rounded border-l-4 p-3">
          {order.fault}
        </div>
      ) : null}
      {order.state === 'sending' && !busy ? (
        <div className="mt-2 flex gap-1.5">
          <Button look="main" onClick={() => run(() => api.sendCut(job.id, order.cut))}>
            Send it again
          </Button>
          <Button look="quiet" onClick={leave}>
            Leave it
          </Button>
        </div>
      ) : null}
      {order.reading ? (
        <p data-upload-check>
          <span className="text-good">✓</span> {order.reading.check}
        </p>
      ) : null}
      <Arrived order={order} />
      <DeskAsks order={order} />
      {order.state === 'read' && order.reading ? (
        <DeskOptions job={job} cut={order.cut} reading={order.reading} busy={busy} run={run} />
      ) : null}
      {order.reading ? <Quoted reading={order.reading} /> : null}
      <PartsAsRead job={job} order={order} />
      {order.state === 'read' && order.reading && order.reading.asks.length === 0 ? (
        <PlaceForm
          reading={order.reading}
          busy={busy}
          onPlace={(by, note) => run(() => api.placeOrder(order.id, by, note))}
          onLeave={leave}
        />
      ) : null}
      {order.reading ? <AsRead reading={order.reading} /> : null}
    </section>
  );
}

/** An order the desk has, or one that came to nothing. */
function Done({ order, open, again }: { order: DeskOrderView; open: boolean; again: () => void }) {
  const [error, setError] = useState('');
  const [asked, setAsked] = useState(false);
  const said = order.said;
  const act = (of: Promise<unknown>) => {
    setError('');
    of.catch((e: unknown) => setError(e instanceof Error ? e.message : String(e))).finally(again);
  };
  if (!said) {
    return (
      <p className="text-faint">
        {named(order.cut)}, {shortTime(order.begun)}: {order.fault}
      </p>
    );
  }
  return (
    <details open={open}>
      <summary className="cursor-pointer">
        <b className="font-semibold" data-number>
          Order {said.number}
        </b>{' '}
        of {named(order.cut).toLowerCase()}, by {order.by}
      </summary>
      {order.fault ? (
        <p role="status" className="border-look bg-card my-2 rounded border-l-4 p-2">
          {order.fault}
        </p>
      ) : null}
      <Progress order={said} />
      <p data-state={said.state}>
        {said.says}
        {said.tracking ? ` It is ${said.tracking}.` : ''}
      </p>
      {order.note ? <p className="text-faint">“{order.note}”</p> : null}
      <EngineersQuestions order={said} onAnswer={(q, a) => act(api.answerDesk(order.id, q, a))} />
      {error ? (
        <p role="alert" className="text-stop">
          {error}
        </p>
      ) : null}
      {canWithdraw(order) ? (
        asked ? (
          <span className="mt-2 flex items-center gap-1.5">
            Withdraw it, really?
            <Button
              onClick={() => {
                setAsked(false);
                act(api.withdraw(order.id));
              }}
            >
              Yes, withdraw
            </Button>
            <Button look="quiet" onClick={() => setAsked(false)}>
              No
            </Button>
          </span>
        ) : (
          <Button className="mt-2" onClick={() => setAsked(true)}>
            Withdraw the order …
          </Button>
        )
      ) : null}
      <p className="text-faint mt-1 text-[13px]">
        {order.heard ? `The desk said so ${shortTime(order.heard)}.` : ''}
      </p>
      {order.reading ? (
        <details className="mt-1">
          <summary className="cursor-pointer">What was ordered, as the desk read it</summary>
          <Quoted reading={order.reading} />
          <AsRead reading={order.reading} />
        </details>
      ) : null}
    </details>
  );
}

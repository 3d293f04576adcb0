import { useEffect, useState } from 'react';
import { type Check, type Job, type Mending, type TouchLine } from '../api/client';
import { go } from '../router';
import { useView } from '../store/view';
import { Effect } from '../touch/Effect';
import { ForCurrent } from '../touch/ForCurrent';
import { dragged, handlesOf, outlineOf } from '../touch/handles';
import { OFFERED, offeredFor, touchesOf, without, type Offered } from '../touch/kinds';
import { MendAll } from '../touch/MendAll';
import { useTouch, type Look } from '../touch/scene';
import { TouchForm } from '../touch/TouchForm';
import { useMending } from '../touch/useMending';
import { useTouches } from '../touch/useTouches';
import { Button, Toggle } from '../ui/Button';
import { Panel } from '../ui/Panel';

const LOOKS: { value: Look; text: string }[] = [
  { value: 'before', text: 'as brought in' },
  { value: 'change', text: 'what changes' },
  { value: 'after', text: 'as it will be' },
];

/** Small things put right here, each a touch in a list. */
export function TouchUp({ job, check }: { job: Job; check: Check | null }) {
  const touches = useTouches(job);
  const mendable = useMending(job).data ?? null;
  const chosen = useTouch((s) => s.chosen);
  const look = useTouch((s) => s.look);
  const asking = useTouch((s) => s.asking);
  const dropped = useTouch((s) => s.dropped);
  const show = useTouch((s) => s.show);
  const [adding, setAdding] = useState<Offered | 'menu' | null>(null);
  const [editing, setEditing] = useState(false);
  const [mending, setMending] = useState(false);
  const list = touches.data?.touches ?? [];
  const current = chosen === null ? null : (list[chosen] ?? null);
  const { change } = touches;

  useEffect(() => {
    show({
      handles: current ? handlesOf(current.touch) : [],
      outline: current ? outlineOf(current.touch) : null,
      places: current?.places ?? [],
    });
  }, [current, show]);
  useEffect(
    () => () =>
      useTouch
        .getState()
        .show({ chosen: null, handles: [], outline: null, places: [], asking: null, draft: [] }),
    [],
  );
  useEffect(() => {
    if (dropped && chosen !== null && current) {
      show({ dropped: null });
      change(chosen, dragged(current.touch, dropped));
    }
  }, [dropped, chosen, current, change, show]);

  // What was chosen, or just made, is seen.
  useEffect(() => {
    document.querySelector(`[data-index="${chosen}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [chosen, list.length]);

  const pick = (index: number | null) => {
    setEditing(false);
    setAdding(null);
    show({ chosen: index });
  };
  const added = () => {
    setAdding(null);
    setMending(false);
    show({ chosen: list.length });
  };
  return (
    <Panel
      title="Touch up"
      lead="Small things put right here instead of in the layout. The files brought in stay as they are."
    >
      <MendBox job={job} check={check} mending={mendable} onOpen={() => setMending(true)} />
      {list.length > 0 ? (
        <div
          className="mb-2 flex flex-wrap items-center gap-1"
          role="group"
          aria-label="On the table"
        >
          {LOOKS.map((l) => (
            <Toggle
              key={l.value}
              on={look === l.value}
              className="px-2 py-0.5"
              onClick={() => show({ look: l.value })}
            >
              {l.text}
            </Toggle>
          ))}
        </div>
      ) : null}
      {asking ? (
        <p role="status" className="border-sienna bg-card mb-2 rounded border-l-4 px-2 py-1">
          {asking.says} <span className="text-faint">Esc leaves it.</span>
        </p>
      ) : null}
      {touches.error ? (
        <p role="alert" className="border-stop bg-card text-stop mb-2 rounded border-l-4 p-2">
          {touches.error}
        </p>
      ) : null}
      {adding === 'menu' ? (
        <Menu
          job={job}
          milled={(touches.data?.room.drillsMm.length ?? 0) > 0}
          onPick={setAdding}
          onLeave={() => setAdding(null)}
        />
      ) : adding ? (
        <section className="bg-card border-edge mb-3 rounded border p-2.5">
          <h2 className="mb-1 font-semibold">{adding.name}</h2>
          {touches.data ? (
            <TouchForm
              key={adding.id}
              job={job}
              offered={adding}
              start={adding.usual(touches.data.room)}
              drawings={touches.data.drawings}
              busy={touches.busy}
              does="Do it"
              onDone={(values) => touches.add(touchesOf(values), added)}
              onLeave={() => setAdding(null)}
            />
          ) : null}
        </section>
      ) : (
        <Button
          look={list.length === 0 ? 'main' : 'plain'}
          className="mb-2"
          onClick={() => {
            pick(null);
            setAdding('menu');
          }}
        >
          Add a touch …
        </Button>
      )}
      {list.length > 0 ? (
        <>
          <ol aria-label="Touches">
            {list.map((t, i) => (
              <Card
                key={i}
                job={job}
                touch={t}
                index={i}
                of={list.length}
                chosen={i === chosen}
                editing={editing && i === chosen}
                actions={touches}
                onPick={() => pick(i === chosen ? null : i)}
                onEdit={setEditing}
              />
            ))}
          </ol>
          {chosen === null ? (
            <section aria-label="All of them" className="border-edge mt-2 border-t pt-2">
              <h2 className="text-[13px] font-semibold">All of them together</h2>
              <Effect job={job} touch={null} />
            </section>
          ) : null}
        </>
      ) : adding === null ? (
        <p className="text-faint">
          Nothing is touched up yet. Each touch is listed here, can be switched off, and is done
          again on the next revision.
        </p>
      ) : null}
      {mending && check && mendable ? (
        <MendAll
          mending={mendable}
          findings={check.findings}
          busy={touches.busy}
          onDo={(those) => touches.add(those, added)}
          onClose={() => setMending(false)}
        />
      ) : null}
    </Panel>
  );
}

/** How much of what the check found can be mended here. */
function MendBox({
  job,
  check,
  mending,
  onOpen,
}: {
  job: Job;
  check: Check | null;
  mending: Mending | null;
  onOpen: () => void;
}) {
  if (!job.sheetId) {
    return (
      <div className="border-look bg-card mb-3 rounded border-l-4 p-2.5">
        <p>With a shop chosen, the check says what can be mended.</p>
        <Button className="mt-1.5" onClick={() => go({ job: job.id, station: 'shop' })}>
          Choose a shop
        </Button>
      </div>
    );
  }
  const offers = mending?.offers ?? [];
  const mended = offers.reduce((n, o) => n + o.findings.length, 0);
  const all = check?.findings.length ?? 0;
  if (!job.check.ran || !mending) {
    return <p className="text-faint mb-3">Checking what can be mended …</p>;
  }
  if (offers.length === 0) {
    return (
      <p className="text-faint mb-3">
        {all === 0
          ? 'The check found nothing.'
          : `None of the ${all} finding${all === 1 ? '' : 's'} can be mended by a touch.`}
      </p>
    );
  }
  return (
    <div className="bg-card border-edge mb-3 rounded border p-2.5">
      <p>
        <b className="num font-semibold" data-mendable>
          {mended}
        </b>{' '}
        of {all} findings can be mended here.
      </p>
      <Button look="main" className="mt-1.5" onClick={onOpen}>
        Mend all that can be mended …
      </Button>
    </div>
  );
}

/** Every touch there is, by what it is done to. */
function Menu({
  job,
  milled,
  onPick,
  onLeave,
}: {
  job: Job;
  milled: boolean;
  onPick: (o: Offered) => void;
  onLeave: () => void;
}) {
  const groups = [...new Set(OFFERED.map((o) => o.group))];
  return (
    <section
      aria-label="Touches there are"
      className="bg-card border-edge mb-3 rounded border p-2.5"
    >
      {groups.map((group) => (
        <div key={group} className="mb-2">
          <h2 className="text-faint text-[13px] font-semibold">{group}</h2>
          <div className="mt-0.5 flex flex-wrap gap-1">
            {OFFERED.filter((o) => o.group === group && (milled || !o.milled)).map((o) => (
              <Button key={o.id} className="px-2 py-0.5" onClick={() => onPick(o)}>
                {o.name}
              </Button>
            ))}
            {group === 'Silk and lettering' ? (
              <Button className="px-2 py-0.5" onClick={() => go({ job: job.id, station: 'shop' })}>
                Place of the order mark →
              </Button>
            ) : null}
          </div>
        </div>
      ))}
      <Button look="quiet" onClick={onLeave}>
        Leave it
      </Button>
    </section>
  );
}

function Card({
  job,
  touch: t,
  index,
  of,
  chosen,
  editing,
  actions,
  onPick,
  onEdit,
}: {
  job: Job;
  touch: TouchLine;
  index: number;
  of: number;
  chosen: boolean;
  editing: boolean;
  actions: ReturnType<typeof useTouches>;
  onPick: () => void;
  onEdit: (on: boolean) => void;
}) {
  const lookAt = useView((s) => s.lookAt);
  const show = useTouch((s) => s.show);
  const offered = offeredFor(t.touch);
  const state = !t.on ? 'off' : t.done ? 'done' : 'not done';
  const net = typeof t.touch['net'] === 'string' ? t.touch['net'] : '';
  const first = t.places[0];
  return (
    <li
      data-touch={String(t.touch['kind'])}
      data-index={index}
      data-state={state}
      className={`bg-card mb-1.5 rounded border ${chosen ? 'border-sienna border-2' : 'border-edge'}`}
    >
      <button
        type="button"
        aria-expanded={chosen}
        className="block w-full px-2.5 py-1.5 text-left"
        onClick={onPick}
      >
        <span className="flex items-baseline gap-2">
          <span className={`min-w-0 font-semibold ${t.on ? '' : 'text-faint line-through'}`}>
            {t.words}
          </span>
          <span
            className={`ml-auto shrink-0 text-[13px] whitespace-nowrap ${t.done ? 'text-good' : t.on ? 'text-stop' : 'text-faint'}`}
          >
            {state}
          </span>
        </span>
        {t.on ? <span className="text-faint block text-[13px]">{t.why}</span> : null}
      </button>
      {chosen ? (
        <div className="px-2.5 pb-2">
          {editing && offered && actions.data ? (
            <TouchForm
              job={job}
              offered={offered}
              start={without(t.touch, 'kind')}
              drawings={actions.data.drawings}
              busy={actions.busy}
              does="Change it"
              onDone={(values) => actions.change(index, values, () => onEdit(false))}
              onLeave={() => onEdit(false)}
            />
          ) : (
            <>
              <div className="mb-1 flex flex-wrap gap-1">
                {offered ? <Button onClick={() => onEdit(true)}>Change …</Button> : null}
                <Button onClick={() => actions.switchTo(index, !t.on)}>
                  {t.on ? 'Switch off' : 'Switch on'}
                </Button>
                {first ? (
                  <Button
                    onClick={() =>
                      lookAt({ key: `found touch ${index}`, x: first.x, y: first.y, span: 12e6 })
                    }
                  >
                    Show {t.places.length > 1 ? 'the first place' : 'the place'}
                  </Button>
                ) : null}
                <Button
                  look="quiet"
                  disabled={index === 0}
                  aria-label="Earlier"
                  onClick={() => actions.move(index, -1, () => show({ chosen: index - 1 }))}
                >
                  ↑
                </Button>
                <Button
                  look="quiet"
                  disabled={index === of - 1}
                  aria-label="Later"
                  onClick={() => actions.move(index, 1, () => show({ chosen: index + 1 }))}
                >
                  ↓
                </Button>
                <Button
                  look="quiet"
                  onClick={() => {
                    show({ chosen: null });
                    actions.remove(index);
                  }}
                >
                  Remove
                </Button>
              </div>
              {t.on && t.done ? <Effect job={job} touch={index} /> : null}
              {t.on && t.done && net !== '' ? (
                <ForCurrent job={job} touch={index} net={net} />
              ) : null}
            </>
          )}
        </div>
      ) : null}
    </li>
  );
}

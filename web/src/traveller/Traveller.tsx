import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import {
  api,
  type Cut,
  type DeskOrderView,
  type Job,
  type Review,
  type Sheet,
} from '../api/client';
import { leaf, openCount } from '../bringin/roles';
import { standing } from '../orders/state';
import { useOrders } from '../orders/useOrders';
import { go, type Station } from '../router';
import { Steps } from '../ticket/Steps';
import { Select } from '../ui/Select';
import { ReportProblem } from '../ui/ReportProblem';
import { STRIP, TRAVELLER } from '../ui/panes';
import { useNarrow } from '../ui/useNarrow';
import { isOlder } from '../cut/ChangedSince';
import { WHERE } from '../cut/Reviews';

type Mark = 'done' | 'look' | 'stop' | 'open';

interface Stop {
  station: Station;
  name: string;
  mark: Mark;
  says: string;
}

const MARKS: Record<Mark, { sign: string; className: string; words: string }> = {
  done: { sign: '✓', className: 'border-good text-good', words: 'in order' },
  look: { sign: '!', className: 'border-look text-look', words: 'to look at' },
  stop: { sign: '×', className: 'border-stop text-stop', words: 'stopped' },
  open: { sign: '', className: 'border-edge text-faint', words: 'not yet' },
};

function check(job: Job): [Mark, string] {
  const c = job.check;
  if (!c.ran) {
    return ['open', job.sheetId ? 'being checked' : 'needs a shop'];
  }
  if (c.openStops > 0) {
    return ['stop', `${c.openStops} of ${c.stops} stops open`];
  }
  const accepted = c.stops > 0 ? `${c.stops} stops signed off` : 'no stops';
  return [c.looks > 0 ? 'look' : 'done', `${accepted}, ${c.looks} to look at`];
}

function touchedUp({ touches: t }: Job): { mark: Mark; says: string } {
  if (t.listed === 0) {
    return { mark: 'open', says: 'as brought in' };
  }
  const listed = `${t.listed} touch${t.listed === 1 ? '' : 'es'}`;
  return t.failed > 0
    ? { mark: 'look', says: `${listed}, ${t.failed} not done` }
    : { mark: 'done', says: listed };
}

/** Every station with its true state, computed from the job. */
function stops(
  job: Job,
  sheet: Sheet | undefined,
  cuts: readonly Cut[],
  orders: readonly DeskOrderView[],
): Stop[] {
  const questions = openCount(job);
  const { board, built } = job;
  const [checkMark, checkSays] = check(job);
  const strip = sheet?.kind === 'strip';
  const circuit = job.layers.length === 0;
  const list: Stop[] = [
    {
      station: 'bring-in',
      name: 'Bring in',
      mark: questions > 0 ? 'stop' : job.problems.length > 0 ? 'look' : 'done',
      says:
        questions > 0
          ? `${questions} question${questions === 1 ? '' : 's'} to answer`
          : `${job.files.length} files${job.problems.length > 0 ? `, ${job.problems.length} problem${job.problems.length === 1 ? '' : 's'}` : ''}`,
    },
    {
      station: 'look-over',
      name: 'Look over',
      mark: circuit ? 'open' : board.widthMm > 0 && board.copperLayers > 0 ? 'done' : 'stop',
      says: circuit
        ? 'a circuit without a board yet'
        : board.widthMm > 0
          ? `${board.widthMm.toFixed(1)} × ${board.heightMm.toFixed(1)} mm, ${board.copperLayers} copper`
          : 'no closed outline',
    },
    {
      station: 'shop',
      name: 'Shop',
      mark: sheet ? 'done' : 'open',
      says: sheet ? sheet.name : 'choose who makes it',
    },
    { station: 'check', name: 'Check', mark: checkMark, says: checkSays },
    { station: 'touch-up', name: 'Touch up', ...touchedUp(job) },
    {
      station: 'parts',
      name: 'Parts',
      mark: !board.hasList
        ? 'open'
        : built.troubles > 0 || built.nobody.length > 0
          ? 'look'
          : 'done',
      says:
        (built.variant ? `${built.variant}: ` : '') +
        (!board.hasList
          ? 'no parts list'
          : built.troubles + built.nobody.length > 0
            ? [
                built.nobody.length > 0 ? '' : `${built.lines} lines`,
                built.troubles > 0 ? `${built.troubles} in trouble` : '',
                built.nobody.length > 0 ? `${built.nobody.length} by nobody` : '',
              ]
                .filter((w) => w !== '')
                .join(', ')
            : `${board.parts} parts, ${built.lines} lines`),
    },
    {
      station: 'stencil',
      name: 'Stencil',
      mark: board.pasteOpenings > 0 ? 'done' : 'open',
      says: board.pasteOpenings > 0 ? `${board.pasteOpenings} openings` : 'no paste picture',
    },
  ];
  list.push({
    station: 'panel',
    name: 'Panel',
    mark: job.panel.boards === 0 ? 'open' : job.panel.problem ? 'stop' : 'done',
    says:
      job.panel.boards === 0
        ? 'single boards'
        : job.panel.problem
          ? 'cannot be made'
          : `${job.panel.boards} boards, ${job.panel.widthMm.toFixed(0)} × ${job.panel.heightMm.toFixed(0)} mm`,
  });
  if (strip) {
    list.push({
      station: 'strips',
      name: 'Strips',
      mark: job.check.ran && job.check.openStops > 0 ? 'stop' : 'done',
      says: 'parts, cuts and links',
    });
  }
  if (sheet?.kind === 'mill') {
    list.push({ station: 'mill', name: 'Mill', mark: 'done', says: 'programs for this mill' });
  }
  list.push({
    station: 'cut',
    name: 'Cut',
    mark: isOlder(cuts[0], job) ? 'look' : cuts.length > 0 ? 'done' : 'open',
    says: cuts[0]
      ? isOlder(cuts[0], job)
        ? `changed since cut ${cuts[0].number}`
        : `cut ${cuts[0].number} of ${cuts[0].created.slice(0, 10)}`
      : 'nothing handed over',
  });
  if (sheet?.kind !== 'mill' && !strip) {
    list.push({ station: 'order', name: 'Order', ...standing(orders) });
  }
  list.push({
    station: 'bench',
    name: 'Bench',
    mark: !sheet ? 'open' : built.byHand > built.soldered ? 'open' : 'done',
    says: !sheet
      ? 'needs a shop'
      : built.byHand === 0
        ? 'nothing to solder by hand'
        : `${built.soldered} of ${built.byHand} parts soldered`,
  });
  // What a strip board has no use for is left out.
  const none: readonly Station[] = strip ? ['touch-up', 'stencil', 'panel'] : [];
  return list.filter((s) => !none.includes(s.station));
}

interface Next {
  station: Station;
  says: string;
}

/** The one thing to do next, and where. */
function next(job: Job, list: readonly Stop[]): Next {
  if (openCount(job) > 0) {
    return { station: 'bring-in', says: 'Say what the doubtful files are.' };
  }
  const astray = job.files.find((f) => f.suggested !== '');
  if (astray) {
    return {
      station: 'bring-in',
      says: `Put ${leaf(astray.path)} right: it does not lie on the others.`,
    };
  }
  const of = (s: Station) => list.find((x) => x.station === s);
  if (of('look-over')?.mark === 'stop') {
    return { station: 'bring-in', says: 'The outline is missing: look at the files.' };
  }
  if (of('shop')?.mark === 'open') {
    return { station: 'shop', says: 'Choose a shop.' };
  }
  if (of('check')?.mark === 'open') {
    return { station: 'check', says: 'The board is being checked against the shop.' };
  }
  if (of('check')?.mark === 'stop') {
    return of('strips')
      ? { station: 'strips', says: 'Put the strip plan right.' }
      : { station: 'check', says: 'Go through the stop findings.' };
  }
  const cut = of('cut');
  if (cut?.mark !== 'done') {
    const review = job.reviews.find((r) => !r.by);
    if (review) {
      return toReview(review, job);
    }
    return cut?.mark === 'look'
      ? { station: 'cut', says: 'Make a new cut: choices changed since the last one.' }
      : { station: 'cut', says: 'Make the cut: nothing is left to review.' };
  }
  const order = of('order');
  if (!order) {
    return of('bench')?.mark === 'open'
      ? { station: 'bench', says: 'Make the board and solder it, step by step.' }
      : { station: 'cut', says: 'Hand the cut over.' };
  }
  if (order.mark === 'done' && order.says.endsWith('shipped')) {
    return { station: 'bench', says: 'Inspect the boards that came, then solder and test them.' };
  }
  return order.mark === 'look'
    ? { station: 'order', says: 'See what the order desk waits for.' }
    : {
        station: 'order',
        says: order.mark === 'open' ? 'Order the cut.' : 'See how the order is.',
      };
}

/** The next thing nobody has reviewed yet, and why. */
function toReview(r: Review, job: Job): Next {
  const mend = job.touches.listed === 0 ? ': some can be mended at Touch up' : '';
  const what: Record<string, string> = {
    findings: `${r.says}${mend}`,
    parts: `the parts: ${r.says}`,
    placement: 'the placement: a part that is turned is fitted turned',
    polarity: `the polarity ${r.says}`,
    stencil: `the ${r.says}`,
  };
  return {
    station: WHERE[r.subject] ?? 'cut',
    says: `Review ${what[r.subject] ?? r.says}.${r.lapsed ? ' It changed since the last review.' : ''}`,
  };
}

export function Traveller({ job, station }: { job: Job | null; station: Station }) {
  const jobs = useQuery({ queryKey: ['jobs'], queryFn: api.jobs });
  const sheets = useQuery({ queryKey: ['sheets'], queryFn: api.sheets, staleTime: Infinity });
  const cuts = useQuery({
    queryKey: ['cuts', job?.id],
    queryFn: () => api.cuts(job?.id ?? 0),
    enabled: job !== null,
  });
  const sheet = sheets.data?.find((s) => s.id === job?.sheetId);
  const orders = useOrders(job?.id ?? null);
  const list = job ? stops(job, sheet, cuts.data ?? [], orders.data ?? []) : [];
  const narrow = useNarrow();
  const [opened, setOpened] = useState(false);
  const strip = narrow && !opened;
  const goTo = (place: { job: number | null; station: Station }) => {
    setOpened(false);
    go(place);
  };
  return (
    <nav
      aria-label="Traveller"
      style={{ width: strip ? STRIP : TRAVELLER }}
      className={`border-edge bg-card flex h-full shrink-0 flex-col border-r ${narrow && opened ? 'absolute inset-y-0 left-0 z-20 shadow-lg' : ''}`}
    >
      {narrow ? (
        <button
          type="button"
          aria-expanded={opened}
          aria-label={opened ? 'Close the traveller' : 'Open the traveller'}
          title={opened ? 'Close the traveller' : 'Open the traveller'}
          onClick={() => setOpened(!opened)}
          className="hover:bg-paper h-10 shrink-0 text-lg"
        >
          {opened ? '‹' : '☰'}
        </button>
      ) : null}
      {strip ? null : (
        <button
          type="button"
          className="px-4 pt-3 pb-2 text-left"
          onClick={() => goTo({ job: null, station: 'bring-in' })}
        >
          <span className="text-[21px] font-semibold tracking-tight">Last Cut</span>
          <span className="text-faint block text-[12.5px]">from board file to board in hand</span>
        </button>
      )}
      {!strip && jobs.data && jobs.data.length > 0 ? (
        <Select
          label="Job"
          placeholder="Open a board"
          className="mx-4 mb-2"
          value={job ? String(job.id) : ''}
          onValueChange={(id) => goTo({ job: Number(id), station: 'look-over' })}
          options={jobs.data
            .filter((j) => (!j.deleted && !j.archived) || j.id === job?.id)
            .map((j) => ({ value: String(j.id), text: j.name }))}
        />
      ) : null}
      <ol className="min-h-0 grow overflow-auto pt-1">
        {list.map((s) => (
          <li key={s.station}>
            <button
              type="button"
              aria-current={s.station === station ? 'step' : undefined}
              aria-label={strip ? `${s.name}: ${s.says}` : undefined}
              title={strip ? s.name : undefined}
              data-station={s.station}
              data-mark={s.mark}
              onClick={() => goTo({ job: job?.id ?? null, station: s.station })}
              className="hover:bg-paper aria-[current]:bg-paper aria-[current]:border-sienna flex w-full items-start gap-2.5 border-l-4 border-transparent py-1.5 pr-3 pl-3 text-left"
            >
              <span
                title={MARKS[s.mark].words}
                className={`mt-0.5 flex h-[18px] w-[18px] shrink-0 items-center justify-center rounded-full border-2 text-[12px] leading-none font-bold ${MARKS[s.mark].className}`}
              >
                {MARKS[s.mark].sign}
              </span>
              {strip ? null : (
                <span className="min-w-0">
                  <span className="block font-semibold">{s.name}</span>
                  <span className="text-faint block text-[12.5px]">{s.says}</span>
                </span>
              )}
            </button>
          </li>
        ))}
      </ol>
      {job && !strip ? <Steps job={job} /> : null}
      {job && !strip ? <NextButton job={job} next={next(job, list)} /> : null}
      {job && !strip ? (
        <p className="text-faint flex justify-between px-4 pb-2 text-[12.5px]">
          <span>
            Keys: <kbd className="num">?</kbd>
          </span>
          <ReportProblem job={job.id} />
        </p>
      ) : null}
    </nav>
  );
}

function NextButton({ job, next: { station, says } }: { job: Job; next: Next }) {
  return (
    <button
      type="button"
      data-next={station}
      onClick={() => go({ job: job.id, station })}
      className="border-sienna/60 hover:border-sienna hover:bg-paper m-3 rounded border p-2.5 text-left"
    >
      <span className="text-faint block text-[12.5px]">Next</span>
      <span className="flex items-end justify-between gap-2">
        {says}
        <span aria-hidden className="text-sienna font-bold">
          →
        </span>
      </span>
    </button>
  );
}

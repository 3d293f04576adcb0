import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo } from 'react';
import { api, type Finding, type Job, type Parts as PartsResult } from './api/client';
import { filtered } from './check/findings';
import { useRecheck } from './check/useRecheck';
import { drawPhoto } from './receiving/drawPhoto';
import { usePhoto } from './receiving/usePhoto';
import { Keys } from './Keys';
import { useMill } from './mill/scene';
import { go, usePlace, type Station } from './router';
import { drawKit } from './kit/drawKit';
import { useKit, useKitStep } from './kit/useKit';
import { drawMark } from './shop/drawMark';
import { OUR_PLACE } from './shop/MarkPlace';
import { useOrder } from './shop/useOrder';
import { Start } from './start/Start';
import { BenchKit } from './stations/BenchKit';
import { BringIn } from './stations/BringIn';
import { Check } from './stations/Check';
import { Cut } from './stations/Cut';
import { Order } from './stations/Order';
import { LookOver } from './stations/LookOver';
import { Mill } from './stations/Mill';
import { PanelTable } from './panel/PanelTable';
import { gapOf, planOf, toTicket, type Lying } from './panel/plan';
import { DeskPictures } from './orders/DeskPictures';
import { useOrders } from './orders/useOrders';
import { usePartsChange } from './parts/usePartsChange';
import { Panelling } from './stations/Panelling';
import { Parts } from './stations/Parts';
import { Shop } from './stations/Shop';
import { Strips } from './stations/Strips';
import { StripTable } from './strip/StripTable';
import { useStrip, useStripState } from './strip/useStrip';
import { useStripPlan } from './strip/useStripPlan';
import { Stencil } from './stations/Stencil';
import { TouchUp } from './stations/TouchUp';
import { drawTouch } from './touch/drawTouch';
import { useTouch } from './touch/scene';
import { useComparison, usePair } from './cut/useComparison';
import { useView, type Film, type Focus } from './store/view';
import { drawStencil } from './stencil/drawStencil';
import { PIECES } from './table/inks';
import { LightTable } from './table/LightTable';
import type { Lit } from './table/Renderer';
import type { Viewport } from './table/viewport';
import { pictureKey } from './table/useLayers';
import { useNotice } from './ticket/notice';
import { useReading } from './ticket/reading';
import { StaleDialog } from './ticket/StaleDialog';
import { useEvents } from './ticket/useEvents';
import { Traveller } from './traveller/Traveller';
import { BrokenOff } from './ui/BrokenOff';
import { Guarded } from './ui/Guarded';
import { USUAL, WIDE } from './ui/panes';
import { SidePane } from './ui/SidePane';

/** Which films a station lays out by itself; the user's own choice wins over it. */
function filmsFor(
  station: Station,
  job: Job,
  finding: Finding | null,
  flipped: boolean,
): Record<string, Film> | null {
  const roles = job.layers.map((l) => l.role);
  const set = (film: (role: string) => Film) => Object.fromEntries(roles.map((r) => [r, film(r)]));
  switch (station) {
    case 'stencil':
      // The openings are drawn as they will be cut; the picture of the pack lies beneath.
      return set((r) =>
        r === 'outline' ? 'on' : r === (flipped ? 'copper-bottom' : 'copper-top') ? 'dim' : 'off',
      );
    case 'bench': {
      const near = flipped ? '-bottom' : '-top';
      return set((r) =>
        r === 'outline' || r === `silk${near}` || r === `mask${near}`
          ? 'on'
          : r === `copper${near}`
            ? 'dim'
            : 'off',
      );
    }
    case 'parts':
      return set((r) =>
        r.startsWith('silk') || r === 'outline' ? 'on' : r.startsWith('copper') ? 'dim' : 'off',
      );
    case 'mill':
      return set((r) => (r.startsWith('copper') || r === 'outline' ? 'on' : 'off'));
    default: {
      const about = finding?.layers.filter((l) => roles.includes(l) && l !== 'outline') ?? [];
      if (about.length > 0) {
        // What a finding is about stands out, the rest is there to go by.
        return set((r) =>
          about.includes(r) || r === 'outline' ? 'on' : r.startsWith('paste') ? 'off' : 'dim',
        );
      }
      // What lies near is read first: the far side and what is inside lie faint beneath it.
      const far = flipped ? '-top' : '-bottom';
      return set((r) =>
        r.startsWith('paste')
          ? 'off'
          : r.endsWith(far) || r.startsWith('copper-inner')
            ? 'dim'
            : 'on',
      );
    }
  }
}

/** The pieces of a net that is not in one, each in an ink of its own. */
function piecesOf(job: Job, finding: Finding | null): Lit[] {
  const name = finding?.rule === 'open' ? finding.nets[0] : undefined;
  if (name === undefined) {
    return [];
  }
  return job.nets
    .filter((n) => n.name.split(' + ').includes(name))
    .map((n, i): Lit => ({ net: n.net, ink: PIECES[i % PIECES.length] ?? [0.7, 0.3, 0.5] }));
}

function partFocus(parts: PartsResult | null, designator: string | null): Focus | null {
  const part = parts?.parts.find((p) => p.designator === designator);
  return part ? { key: part.designator, x: part.x, y: part.y, span: 18e6 } : null;
}

function Bench({ job, station }: { job: Job; station: Station }) {
  const chosenFinding = useView((s) => s.finding);
  const chosenPart = useView((s) => s.part);
  const operation = useView((s) => s.operation);
  const asked = useView((s) => s.focus);
  const showChanges = useView((s) => s.showChanges);
  const millTab = useMill((s) => s.tab);
  const key = pictureKey(job);
  useEvents(job.id);
  useEffect(() => useNotice.getState().say(''), [job.id]);
  useEffect(() => {
    useView.getState().startJob();
    usePhoto.getState().drop();
    useKitStep.getState().to(0);
    usePair.getState().compare(null);
    useStripState.getState().set({ part: null, placing: null, finding: null, cursor: [0, 0] });
  }, [job.id]);
  useEffect(() => useView.getState().leaveStation(), [station]);
  const changes = useQuery({
    queryKey: ['changes', job.id, key],
    queryFn: () => api.changes(job.id),
    enabled: station === 'bring-in' && job.revision > 1,
  });
  const find = useCallback(() => {
    go({ job: job.id, station: 'look-over' });
    // The field is there only once the station is.
    requestAnimationFrame(() => document.getElementById('find-field')?.focus());
  }, [job.id]);
  const check = useQuery({
    queryKey: ['check', job.id, job.stamp],
    queryFn: () => api.check(job.id),
    enabled: job.sheetId !== '',
  });
  const outputs = useQuery({
    queryKey: ['outputs', job.id, key, job.sheetId, job.version],
    queryFn: () => api.outputs(job.id),
    placeholderData: (before) => before,
  });
  const parts = useQuery({
    queryKey: ['parts', job.id, key, job.sheetId, job.version],
    queryFn: () => api.parts(job.id),
    enabled: station === 'parts' || station === 'bench',
    placeholderData: (before) => before,
  });
  const stencil = useQuery({
    queryKey: ['stencil', job.id, key, job.sheetId, job.version],
    queryFn: () => api.stencil(job.id),
    enabled: station === 'stencil',
    placeholderData: (before) => before,
  });
  const panel = useQuery({
    queryKey: ['panel', job.id, key, job.sheetId, job.version],
    queryFn: () => api.panel(job.id),
    enabled: station === 'panel',
    placeholderData: (before) => before,
  });
  const order = useOrder(job, station === 'shop' && job.sheetId !== '');
  const mark =
    order.data?.options.find((o) => o.id === 'order-mark')?.chosen === OUR_PLACE
      ? order.data.mark
      : null;
  const comparison = useComparison(job.id, station === 'cut');
  const orders = useOrders(job.id).data ?? null;
  const pictured =
    station === 'order'
      ? orders?.find((o) => o.state !== 'left' && (o.reading?.boards.length ?? 0) > 0)
      : undefined;
  const { make: changePanel } = usePartsChange(job.id);
  const panelData = panel.data ?? null;
  const plan = useMemo(() => (panelData?.plan ? planOf(panelData.plan) : null), [panelData]);
  const movePanel = useCallback(
    (places: Lying[]) =>
      changePanel(() => api.setPanel(job.id, plan ? toTicket({ ...plan, places }) : null)),
    [changePanel, job.id, plan],
  );
  const strip = useStrip(job, station === 'strips');
  const stripData = strip.data ?? null;
  const stripEdit = useStripPlan(job.id, stripData);
  const stripPlan = stripEdit.plan;
  const kit = useKit(job, station === 'bench');
  const kitStep = useKitStep((s) => s.step);
  const kitBoard = useKitStep((s) => s.board);
  const photo = usePhoto();
  const index = Math.min(operation, (outputs.data?.operations.length ?? 1) - 1);
  const paths = useQuery({
    queryKey: ['paths', job.id, key, job.sheetId, job.version, index],
    queryFn: () => api.paths(job.id, index),
    enabled:
      station === 'mill' &&
      !outputs.isPlaceholderData &&
      (outputs.data?.operations.length ?? 0) > 0,
    placeholderData: (before) => before,
  });
  const touch = useTouch();
  const touched = useQuery({
    queryKey: ['touch-changes', job.id, key],
    queryFn: () => api.touchChanges(job.id),
    enabled: station === 'touch-up' && job.touches.listed > 0,
    placeholderData: (before) => before,
  });
  const recheck = useRecheck(job);
  const filter = useView((s) => s.filter);
  const findings = useMemo(
    () => (station === 'check' ? filtered(check.data?.findings ?? [], filter) : []),
    [station, check.data, filter],
  );
  const chosen = findings.find((f) => f.id === chosenFinding) ?? null;
  const flags = useMemo(
    () => findings.filter((f) => !f.everywhere && !f.layers.includes('panel')),
    [findings],
  );
  const ofPanel = useMemo(
    () => (check.data?.findings ?? []).filter((f) => f.layers.includes('panel')),
    [check.data],
  );
  const pieces = useMemo(() => piecesOf(job, chosen), [job, chosen]);
  const focus = useMemo((): Focus | null => {
    if (station === 'parts') {
      return partFocus(parts.data ?? null, chosenPart);
    }
    if (station !== 'check') {
      return asked;
    }
    if (!chosen || chosen.everywhere || chosen.layers.includes('panel')) {
      return asked;
    }
    const apart = Math.hypot(chosen.from.x - chosen.to.x, chosen.from.y - chosen.to.y);
    const { x, y } = chosen.at;
    return { key: chosen.id, x, y, span: Math.max(5e6, apart * 2) };
  }, [station, parts.data, chosenPart, asked, chosen]);
  const flipped = useView((s) => s.flipped);
  const shown = useMemo(
    () => filmsFor(station, job, chosen, flipped),
    [station, job, chosen, flipped],
  );
  const over = useMemo(() => {
    if (station === 'shop' && mark) {
      return drawMark(mark);
    }
    if (station === 'touch-up' || (station === 'parts' && (touch.asking || touch.outline))) {
      return drawTouch(touch);
    }
    if (station === 'stencil' && stencil.data) {
      return drawStencil(stencil.data, chosenPart ?? '');
    }
    if (station === 'bench' && photo.image && photo.toBoard) {
      const under = drawPhoto(photo.image, photo.toBoard, photo.fade);
      const plates =
        photo.withParts && parts.data ? drawKit(parts.data, null, new Set<string>()) : null;
      return (g: CanvasRenderingContext2D, v: Viewport) => {
        under(g, v);
        plates?.(g, v);
      };
    }
    if (station === 'bench' && parts.data) {
      const step = kit.data?.steps[Math.min(kitStep, kit.data.steps.length - 1)] ?? null;
      const soldered = kitBoard === null ? kit.data?.done : kit.data?.ticked[kitBoard - 1];
      return drawKit(parts.data, step, new Set(soldered));
    }
    return null;
  }, [
    station,
    mark,
    touch,
    stencil.data,
    chosenPart,
    parts.data,
    kit.data,
    kitStep,
    kitBoard,
    photo,
  ]);
  const checkData = check.data ?? null;
  const outputData = outputs.data ?? null;
  const panels: Record<Station, React.ReactNode> = {
    'bring-in': <BringIn job={job} changes={changes.data ?? null} />,
    'look-over': <LookOver job={job} />,
    shop: <Shop job={job} />,
    check: <Check job={job} check={checkData} work={recheck} />,
    'touch-up': <TouchUp job={job} check={checkData} />,
    parts: <Parts job={job} parts={parts.data ?? null} outputs={outputData} />,
    stencil: <Stencil job={job} outputs={outputData} stencil={stencil.data ?? null} />,
    panel: <Panelling job={job} panel={panelData} findings={ofPanel} outputs={outputData} />,
    strips: (
      <Strips
        job={job}
        view={stripData}
        plan={stripPlan}
        error={stripData ? '' : (strip.error?.message ?? '')}
        refused={stripEdit.error}
        onChange={stripEdit.change}
        outputs={outputData}
      />
    ),
    mill: <Mill job={job} outputs={outputData} />,
    cut: <Cut job={job} outputs={outputData} comparison={comparison} />,
    order: <Order job={job} orders={orders} />,
    bench: (
      <BenchKit
        job={job}
        kit={kit.data ?? null}
        outputs={outputData}
        error={kit.error?.message ?? ''}
      />
    ),
  };
  return (
    <>
      <StaleDialog job={job.id} />
      <Keys job={job} findings={findings.map((f) => f.id)} find={find} />
      <main className="h-full min-w-0 grow">
        <Guarded
          key={`${job.id} ${station === 'panel'} ${station === 'strips'}`}
          of="The light table"
        >
          {station === 'panel' && panelData && plan && panelData.boards.length > 0 ? (
            <PanelTable
              key={`panel ${job.id}`}
              job={job}
              panel={panelData}
              gapNm={gapOf(plan) * 1e6}
              findings={ofPanel}
              onMoved={movePanel}
            />
          ) : station === 'strips' && stripData && stripPlan ? (
            <StripTable view={stripData} plan={stripPlan} onChange={stripEdit.change} />
          ) : pictured ? (
            <DeskPictures key={pictured.id} order={pictured} />
          ) : (
            <LightTable
              key={job.id}
              job={job}
              findings={flags}
              pieces={pieces}
              parts={station === 'parts' ? (parts.data ?? null) : null}
              paths={station === 'mill' && millTab === 'programs' ? (paths.data ?? null) : null}
              milling={station === 'mill'}
              touching={station === 'touch-up' || station === 'parts'}
              before={station === 'touch-up' && touch.look === 'before' && job.touches.listed > 0}
              over={over}
              focus={focus}
              shown={shown}
              changes={
                station === 'touch-up'
                  ? touch.look === 'change' && job.touches.listed > 0
                    ? (touched.data ?? null)
                    : null
                  : !showChanges
                    ? null
                    : station === 'bring-in'
                      ? (changes.data ?? null)
                      : comparison.changes
              }
            />
          )}
        </Guarded>
      </main>
      <SidePane
        name={station === 'parts' ? 'parts' : 'station'}
        usual={station === 'parts' ? WIDE : USUAL}
      >
        <Guarded key={station} of="This station">
          {panels[station]}
        </Guarded>
      </SidePane>
    </>
  );
}

/** How far the board is read: instead of it the first time, over it later. */
function Reading({ first }: { first: boolean }) {
  const state = useReading((s) => s.state);
  if (!first && !state) {
    return null;
  }
  return (
    <div
      role="status"
      className={
        first
          ? 'p-8'
          : 'bg-card border-edge fixed top-3 left-1/2 z-10 -translate-x-1/2 rounded border px-4 py-2 shadow'
      }
    >
      Reading the board{state ? `: ${state.step}` : ''} …
      {state ? (
        <span className="bg-edge mt-1.5 block h-1.5 w-72 overflow-hidden rounded">
          <span
            className="bg-petrol block h-full transition-all"
            style={{ width: `${(100 * (state.done + 0.3)) / Math.max(1, state.of)}%` }}
          />
        </span>
      ) : null}
    </div>
  );
}

export function App() {
  const place = usePlace();
  const job = useQuery({
    queryKey: ['job', place.job],
    queryFn: () => api.job(place.job ?? 0),
    enabled: place.job !== null,
  });
  const current = place.job !== null ? (job.data ?? null) : null;
  return (
    <div className="flex h-full">
      <Traveller job={current} station={place.station} />
      <BrokenOff />
      {place.job === null ? <Start /> : null}
      {current ? <Bench key={current.id} job={current} station={place.station} /> : null}
      {place.job !== null ? <Reading first={job.isPending} /> : null}
      {job.error && place.job !== null ? (
        <p role="alert" className="text-stop p-8">
          {job.error.message}
        </p>
      ) : null}
    </div>
  );
}

import { Tabs } from 'radix-ui';
import { useState } from 'react';
import type { Job, Outputs, Parts as PartsResult } from '../api/client';
import { Reviews } from '../cut/Reviews';
import { BuyTab } from '../parts/BuyTab';
import { CostTab } from '../parts/CostTab';
import { CounterBar } from '../parts/CounterBar';
import { Gaps } from '../parts/Gaps';
import { KindCard } from '../parts/KindCard';
import { ListTab } from '../parts/ListTab';
import { PlacementTab } from '../parts/PlacementTab';
import { usePartsChange } from '../parts/usePartsChange';
import { VariantsTab } from '../parts/VariantsTab';
import { useView } from '../store/view';
import { Panel } from '../ui/Panel';
import { FileList, MakeOutputs } from './outputs';

const TABS = [
  { id: 'list', text: 'List' },
  { id: 'cost', text: 'Cost' },
  { id: 'buy', text: 'Buy' },
  { id: 'variants', text: 'Variants' },
  { id: 'placement', text: 'Placement' },
  { id: 'files', text: 'Files' },
] as const;

/** The list the house wants, what it costs, what else would do, and variants. */
export function Parts({
  job,
  parts,
  outputs,
}: {
  job: Job;
  parts: PartsResult | null;
  outputs: Outputs | null;
}) {
  const change = usePartsChange(job.id);
  const [tab, setTab] = useState<string>('list');
  const [opened, setOpened] = useState('');
  const select = useView((s) => s.selectPart);
  const chosen = useView((s) => s.part);
  if (!parts) {
    return <Panel title="Parts">Reading …</Panel>;
  }
  // A part clicked on the table is opened here while one is open.
  const designator = opened !== '' && chosen ? chosen : opened;
  const kind =
    designator === ''
      ? undefined
      : [...parts.kinds, ...parts.off].find((k) => k.names.includes(designator));
  const open = (d: string) => {
    setOpened(d);
    select(d);
    setTab('list');
  };
  return (
    <Panel
      title="Parts"
      lead={
        <>
          Builds {parts.built ? <b>{parts.built}</b> : 'the base'},{' '}
          <span className="num">{parts.boards}</span> {parts.boards === 1 ? 'board' : 'boards'}. On
          the table: a cross at each centre, a wedge at pin 1, an empty outline where a part is left
          off.
        </>
      }
    >
      <Gaps job={job} />
      <Tabs.Root value={tab} onValueChange={setTab}>
        <Tabs.List
          aria-label="About the parts"
          className="border-edge -mx-4 mb-3 flex gap-3 border-b px-4"
        >
          {TABS.map((t) => (
            <Tabs.Trigger
              key={t.id}
              value={t.id}
              data-parts={t.id}
              className="text-faint data-[state=active]:border-sienna data-[state=active]:text-ink -mb-px border-b-2 border-transparent px-1.5 pb-1 data-[state=active]:font-semibold"
            >
              {t.text}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {change.error ? (
          <p role="alert" className="text-stop mb-2">
            {change.error}
          </p>
        ) : null}
        {tab === 'list' || tab === 'cost' ? (
          <CounterBar job={job} parts={parts} change={change} />
        ) : null}
        <Tabs.Content value="list">
          <Reviews job={job} only={['parts']} />
          {kind ? (
            <KindCard
              key={kind.designators}
              job={job}
              parts={parts}
              kind={kind}
              designator={designator}
              change={change}
              onBack={() => setOpened('')}
            />
          ) : (
            <ListTab job={job} parts={parts} change={change} onOpen={open} />
          )}
        </Tabs.Content>
        <Tabs.Content value="cost">
          <CostTab job={job} parts={parts} change={change} />
        </Tabs.Content>
        <Tabs.Content value="buy">
          <BuyTab job={job} />
        </Tabs.Content>
        <Tabs.Content value="variants">
          <VariantsTab job={job} parts={parts} change={change} onOpen={open} />
        </Tabs.Content>
        <Tabs.Content value="placement">
          <Reviews job={job} only={['placement', 'polarity']} />
          <PlacementTab job={job} parts={parts} change={change} />
        </Tabs.Content>
        <Tabs.Content value="files">
          <p className="text-faint mb-2">
            What {parts.limits.shop || 'the shop'} gets of the parts, in its own columns.
          </p>
          <MakeOutputs job={job} outputs={outputs} />
          {outputs?.made ? <FileList job={job} outputs={outputs} folder="assembly/" /> : null}
        </Tabs.Content>
      </Tabs.Root>
    </Panel>
  );
}

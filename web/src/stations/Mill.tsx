import { useQuery } from '@tanstack/react-query';
import { Tabs } from 'radix-ui';
import { api, type Job, type Outputs } from '../api/client';
import { BenchTab } from '../mill/BenchTab';
import { CuttersTab } from '../mill/CuttersTab';
import { LevelTab } from '../mill/LevelTab';
import { ProgramsTab } from '../mill/ProgramsTab';
import { RehearseTab } from '../mill/RehearseTab';
import { SetupTab } from '../mill/SetupTab';
import { useMill, type MillTab } from '../mill/scene';
import { go } from '../router';
import { Button } from '../ui/Button';
import { Panel } from '../ui/Panel';

const TABS: readonly { id: MillTab; text: string }[] = [
  { id: 'setup', text: 'Set-up' },
  { id: 'cutters', text: 'Cutters' },
  { id: 'programs', text: 'Programs' },
  { id: 'level', text: 'Level' },
  { id: 'rehearse', text: 'Rehearse' },
  { id: 'bench', text: 'Run' },
];

/** From the choice of cutters to a program that was rehearsed, and run. */
export function Mill({ job, outputs }: { job: Job; outputs: Outputs | null }) {
  const tab = useMill((s) => s.tab);
  const show = useMill((s) => s.show);
  const sheets = useQuery({ queryKey: ['sheets'], queryFn: api.sheets });
  const sheet = sheets.data?.find((s) => s.id === job.sheetId);
  const isMill = sheet?.kind === 'mill';
  const mill = useQuery({
    queryKey: ['mill', job.id, job.sheetId, job.stamp],
    queryFn: () => api.mill(job.id),
    enabled: isMill,
    placeholderData: (before) => before,
  });
  if (!isMill) {
    return (
      <Panel title="Mill" lead="For a mill on the bench.">
        <p>
          {sheet
            ? `${sheet.name} is a board house: it mills nothing for you.`
            : 'Programs are made for a mill.'}{' '}
          Choose a mill to make this board on your own bench.
        </p>
        <Button look="main" className="mt-3" onClick={() => go({ job: job.id, station: 'shop' })}>
          Choose a mill
        </Button>
      </Panel>
    );
  }
  return (
    <Panel title="Mill" lead={sheet.name}>
      <Tabs.Root value={tab} onValueChange={(t) => show({ tab: t as MillTab })}>
        <Tabs.List
          aria-label="Steps of milling"
          className="border-edge -mx-4 mb-3 flex justify-between border-b px-2.5"
        >
          {TABS.map((t) => (
            <Tabs.Trigger
              key={t.id}
              value={t.id}
              data-tab={t.id}
              className="text-faint data-[state=active]:border-sienna data-[state=active]:text-ink -mb-px border-b-2 border-transparent px-1.5 pb-1 whitespace-nowrap data-[state=active]:font-semibold"
            >
              {t.text}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {mill.error ? (
          <p role="alert" className="text-stop">
            {mill.error.message}
          </p>
        ) : null}
        {mill.data ? (
          <>
            <Tabs.Content value="setup">
              <SetupTab job={job} mill={mill.data} />
            </Tabs.Content>
            <Tabs.Content value="cutters">
              <CuttersTab job={job} mill={mill.data} />
            </Tabs.Content>
            <Tabs.Content value="programs">
              <ProgramsTab job={job} outputs={outputs} />
            </Tabs.Content>
            <Tabs.Content value="level">
              <LevelTab job={job} mill={mill.data} />
            </Tabs.Content>
            <Tabs.Content value="rehearse">
              <RehearseTab job={job} mill={mill.data} />
            </Tabs.Content>
            <Tabs.Content value="bench">
              <BenchTab job={job} mill={mill.data} outputs={outputs} />
            </Tabs.Content>
          </>
        ) : null}
      </Tabs.Root>
    </Panel>
  );
}

import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api, type Job } from '../api/client';
import { Button } from '../ui/Button';
import { Select } from '../ui/Select';

const UNITS = [
  { value: '1000000', text: 'mm' },
  { value: '25400000', text: 'inch' },
  { value: '25400', text: 'mil' },
];

type FileView = Job['files'][number];

/** The unit in words as nm: "px (96 to the inch)", "0.352778 mm" or one of the usual ones. */
function unitOf(words: string): number {
  const usual = UNITS.find((u) => u.text === words);
  return usual
    ? Number(usual.value)
    : words.startsWith('px')
      ? 25.4e6 / 96
      : parseFloat(words) * 1e6;
}

/** How the file's numbers are read, where that is not beyond doubt or was chosen. */
export function Numbers({ job, file }: { job: Job; file: FileView }) {
  const queries = useQueryClient();
  const choose = useMutation({
    mutationFn: (said: { format: string } | { unitNm: number }) =>
      'format' in said
        ? api.setFormat(job.id, file.path, said.format)
        : api.setUnit(job.id, file.path, said.unitNm),
    onSuccess: (now) => queries.setQueryData(['job', job.id], now),
  });
  const settled = file.numbersStated && !file.chosen;
  if (!file.asks || file.applied || (file.asks === 'format' && settled)) {
    return null;
  }
  const units = UNITS.some((u) => u.text === file.numbers)
    ? UNITS
    : [{ value: 'now', text: file.numbers }, ...UNITS];
  return (
    <div className="mt-0.5 flex flex-wrap items-center gap-1.5 text-[13px] whitespace-nowrap">
      <span className={file.numbersStated ? 'text-faint' : 'text-look font-semibold'}>
        {file.numbersStated ? 'read as' : 'not stated; read as'}
      </span>
      {file.asks === 'format' ? (
        <Select
          label={`Number format of ${file.path}`}
          className="grow"
          value={file.numbers}
          onValueChange={(format) => choose.mutate({ format })}
          options={job.drillFormats.map((f) => ({ value: f, text: f }))}
        />
      ) : (
        <>
          <Select
            label={`Unit of ${file.path}`}
            className="w-32"
            value={units.find((u) => u.text === file.numbers)?.value ?? 'now'}
            onValueChange={(unit) =>
              unit === 'now' ? undefined : choose.mutate({ unitNm: Number(unit) })
            }
            options={units}
          />
          {file.numbersStated ? null : (
            <Button
              className="py-0"
              onClick={() => choose.mutate({ unitNm: unitOf(file.numbers) })}
            >
              Yes
            </Button>
          )}
        </>
      )}
      {choose.error ? <span className="text-stop">{choose.error.message}</span> : null}
    </div>
  );
}

import type { OrderMark } from '../api/client';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { Select } from '../ui/Select';

/** The value of the order mark's option that asks for a place of one's own. */
export const OUR_PLACE = 'at our place';

/** Where on the board the house may print its mark: by numbers, or where there is room. */
export function MarkPlace({
  mark,
  onPlace,
  onFree,
}: {
  mark: OrderMark | null;
  onPlace: (mark: OrderMark) => void;
  onFree: () => void;
}) {
  const now = mark ?? { xMm: 0, yMm: 0, side: 'bottom' };
  return (
    <div aria-label="Place of the order mark" role="group" className="mt-0.5 mb-1">
      <span className="flex items-center justify-end gap-1.5">
        x
        <NumberField
          label="Order mark x, mm"
          signed
          className="w-16"
          value={mark ? mark.xMm : null}
          onCommit={(n) => onPlace({ ...now, xMm: n ?? 0 })}
        />
        y
        <NumberField
          label="Order mark y, mm"
          signed
          className="w-16"
          value={mark ? mark.yMm : null}
          onCommit={(n) => onPlace({ ...now, yMm: n ?? 0 })}
        />
        mm
        <Select
          label="Side of the order mark"
          value={now.side}
          onValueChange={(side) => onPlace({ ...now, side })}
          options={[
            { value: 'top', text: 'top' },
            { value: 'bottom', text: 'bottom' },
          ]}
        />
      </span>
      <span className="mt-1 flex items-center justify-between gap-2">
        <span className={mark ? 'text-faint text-[13px]' : 'text-look text-[13px]'}>
          {mark ? 'Dashed on the table, 10 × 2 mm.' : 'No place is said yet.'}
        </span>
        <Button className="shrink-0" onClick={onFree}>
          Find room
        </Button>
      </span>
    </div>
  );
}

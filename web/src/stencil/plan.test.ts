import { describe, expect, it } from 'vitest';
import { chosenFor, toTicket, withShaping } from './plan';

describe('a stencil plan', () => {
  it('is written by the names of the ticket, and nothing that is usual', () => {
    expect(toTicket({})).toEqual({});
    expect(
      toTicket({
        foilMm: 0.1,
        reduceMm: 0.05,
        panes: { overMm2: 6, webMm: 0.3, coverPercent: 70 },
        packages: { R0603: { homePlate: { ratio: 0.3 } } as never },
        leaveOutUnfitted: true,
        alignMm: 3,
      }),
    ).toEqual({
      foil_mm: 0.1,
      reduce_mm: 0.05,
      panes: { over_mm2: 6, web_mm: 0.3, cover_percent: 70 },
      packages: { R0603: { home_plate: { ratio: 0.3 } } },
      leave_out_unfitted: true,
      align_mm: 3,
    });
  });

  it('keeps packages apart, and takes back what is undefined', () => {
    const one = withShaping({ reduceMm: 0.05 }, 'QFN32', { reducePercent: 20 });
    expect(chosenFor(one, 'QFN32')).toEqual({ reducePercent: 20 });
    expect(one.reduceMm).toBe(0.05);
    const back = withShaping(one, 'QFN32', { reducePercent: undefined });
    expect(toTicket(back)).toEqual({ reduce_mm: 0.05 });
    expect(toTicket(withShaping(back, '', { reduceMm: undefined }))).toEqual({});
  });
});

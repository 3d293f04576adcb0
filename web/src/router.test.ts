import { expect, test } from 'vitest';
import { href, parse, STATIONS } from './router';

test('every place has an address of its own and is found again by it', () => {
  for (const station of STATIONS) {
    expect(parse(href({ job: 12, station }))).toEqual({ job: 12, station });
  }
});

test('an unknown address is the start, an unknown station the light table', () => {
  expect(parse('/')).toEqual({ job: null, station: 'bring-in' });
  expect(parse('/jobs/3/nowhere')).toEqual({ job: 3, station: 'look-over' });
});

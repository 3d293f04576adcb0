// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Dialog } from './Dialog';
import { Guarded } from './Guarded';
import { Shown } from './Shown';

afterEach(cleanup);

describe('a dialog', () => {
  const closed = vi.fn();
  beforeEach(() => closed.mockClear());

  function open() {
    render(
      <Dialog open onOpenChange={(o) => !o && closed()} title="A sheet">
        <input aria-label="Name" />
      </Dialog>,
    );
  }
  const escape = () =>
    fireEvent.keyDown(document.activeElement ?? document.body, { key: 'Escape' });

  it('closes at once while nothing was typed', () => {
    open();
    escape();
    expect(closed).toHaveBeenCalledTimes(1);
  });

  it('asks before it throws away what was typed', () => {
    open();
    fireEvent.input(screen.getByLabelText('Name'), { target: { value: 'my shop' } });
    escape();
    expect(closed).not.toHaveBeenCalled();
    expect(screen.getByRole('alert').textContent).toContain('not kept yet');
    fireEvent.click(screen.getByText('Go on editing'));
    expect(screen.queryByRole('alert')).toBeNull();
    escape();
    fireEvent.click(screen.getByText('Discard it'));
    expect(closed).toHaveBeenCalledTimes(1);
  });
});

describe('a long list', () => {
  it('says how many more there are, and shows them', () => {
    render(
      <ul>
        <Shown items={Array.from({ length: 130 }, (_, i) => `net ${i}`)} most={100} what="nets">
          {(n) => <li>{n}</li>}
        </Shown>
      </ul>,
    );
    expect(screen.queryByText('net 100')).toBeNull();
    fireEvent.click(screen.getByText('Show 30 more nets'));
    expect(screen.getByText('net 129')).toBeTruthy();
    expect(screen.queryByText(/more nets/)).toBeNull();
  });

  it('says nothing more where there is none', () => {
    render(
      <ul>
        <Shown items={['a', 'b']} most={2} what="letters">
          {(n) => <li>{n}</li>}
        </Shown>
      </ul>,
    );
    expect(screen.getAllByRole('listitem').map((l) => l.textContent)).toEqual(['a', 'b']);
  });
});

describe('something that fails', () => {
  it('leaves the rest of the page, and can be tried again', () => {
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
    let broken = true;
    const Station = () => {
      if (broken) {
        throw new Error('a mistake');
      }
      return <p>the station</p>;
    };
    const Page = () => {
      const [n, setN] = useState(0);
      return (
        <>
          <button type="button" onClick={() => setN(n + 1)}>
            {`clicked ${n}`}
          </button>
          <Guarded of="This station">
            <Station />
          </Guarded>
        </>
      );
    };
    render(<Page />);
    expect(screen.getByRole('alert').textContent).toContain('This station cannot be shown');
    expect(screen.queryByText(/a mistake/)).toBeNull();
    fireEvent.click(screen.getByText('clicked 0'));
    expect(screen.getByText('clicked 1')).toBeTruthy();
    broken = false;
    fireEvent.click(screen.getByText('Try again'));
    expect(screen.getByText('the station')).toBeTruthy();
    vi.restoreAllMocks();
  });
});

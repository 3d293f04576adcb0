import { Fragment, useState, type ReactNode } from 'react';

/**
 * The first of a list, and how many more there are: they are shown when asked for. For the inside
 * of a list; in a table the rest is a row.
 */
export function Shown<T>({
  items,
  most,
  what,
  row = false,
  children,
}: {
  items: readonly T[];
  most: number;
  /** What they are, in the plural. */
  what: string;
  row?: boolean;
  children: (item: T, index: number) => ReactNode;
}) {
  const [all, setAll] = useState(false);
  const shown = all ? items : items.slice(0, most);
  const rest = items.length - shown.length;
  const more = (
    <button
      type="button"
      className="text-faint hover:text-ink py-1 underline decoration-dotted underline-offset-2"
      onClick={() => setAll(true)}
    >
      Show {rest} more {what}
    </button>
  );
  return (
    <>
      {shown.map((item, i) => (
        <Fragment key={i}>{children(item, i)}</Fragment>
      ))}
      {rest === 0 ? null : row ? (
        <tr>
          <td colSpan={99}>{more}</td>
        </tr>
      ) : (
        <li>{more}</li>
      )}
    </>
  );
}

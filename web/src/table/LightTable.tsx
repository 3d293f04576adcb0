import { lazy, Suspense } from 'react';
import { useView } from '../store/view';
import { Guarded } from '../ui/Guarded';
import { FlatTable, type OnTable } from './FlatTable';
import { TableBar } from './TableBar';

/** Three dimensions are a large library: it is fetched when first asked for. */
const SolidView = lazy(() => import('./SolidView'));

/** The board on the table: its films, or the solid it will be. Each is made anew when shown. */
export function LightTable(on: OnTable) {
  const solid = useView((s) => s.solid);
  const unit = useView((s) => s.unit);
  if (!solid) {
    return <FlatTable {...on} />;
  }
  return (
    <div className="flex h-full min-w-0 flex-col">
      <Guarded of="The solid view">
        <Suspense
          fallback={
            <p role="status" className="grow p-4">
              Building the board …
            </p>
          }
        >
          <SolidView job={on.job} />
        </Suspense>
      </Guarded>
      <TableBar onFit={null} readout={`— ${unit}`} />
    </div>
  );
}

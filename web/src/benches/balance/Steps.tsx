import { useProject, useShown } from '../../api/project';
import { directed, formatNumber, STATION } from '../../figure/format';
import { Table } from '../../parts/Table';

/** What each wheel carries at each step of the work, as the craft stands. */
export function Steps() {
  const { view } = useProject();
  const { shown } = useShown();
  const steps = shown.balance?.steps ?? [];
  if (steps.length === 0) return null;
  const mass = (si: number) => formatNumber(si, 'mass', view);
  return (
    <section aria-label="Standing at each step" className="mb-4">
      <Table
        rows={steps}
        id={(s) => s.name}
        columns={[
          { id: 'step', head: 'Standing at each step of the work', headClass: '!text-ink', cell: (s) => s.name },
          { id: 'mass', head: 'mass', num: true, cell: (s) => mass(s.mass_si) },
          { id: 'cg', head: 'CG', num: true, cell: (s) => directed(s.x_si, 'length', view, STATION) },
          ...(steps[0]?.loads ?? []).map((l, i) => ({
            id: `on ${l.name}`,
            head: l.name,
            num: true,
            className: (s: (typeof steps)[number]) => {
              const on = s.loads[i]?.mass_si ?? 0;
              return on < 0 ? 'text-stop' : on < 0.05 * s.mass_si ? 'text-watch' : '';
            },
            cell: (s: (typeof steps)[number]) => mass(s.loads[i]?.mass_si ?? 0),
          })),
        ]}
      />
    </section>
  );
}

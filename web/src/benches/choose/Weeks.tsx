import { useProject } from '../../api/project';
import { useAssessed } from '../../api/useInstallation';
import { formatNumber } from '../../figure/format';
import { Table } from '../../parts/Table';

/** Money by week, planned against paid, and what is waited for longest. */
export function Weeks() {
  const { view, at } = useProject();
  const out = useAssessed();
  const choose = out?.choose;
  if (!choose || choose.weeks.length === 0) return null;
  const money = (at('/need/currency') as string | undefined) ?? '';
  return (
    <section aria-label="Money by week" className="px-4 pt-3">
      <Table
        rows={choose.weeks}
        id={(w) => w.week}
        columns={[
          {
            id: 'week',
            head: `Money by week${money ? `, ${money}` : ''}`,
            headClass: '!text-ink',
            cell: (w) => w.week || 'no week said',
          },
          { id: 'planned', head: 'planned', num: true, cell: (w) => formatNumber(w.planned_si, 'money', view) },
          { id: 'forecast', head: 'will cost', num: true, cell: (w) => formatNumber(w.forecast_si, 'money', view) },
          { id: 'paid', head: 'paid', num: true, cell: (w) => formatNumber(w.spent_si, 'money', view) },
        ]}
      />
      {choose.longest && (
        <p>
          Longest to come: {choose.longest}
          {choose.longest_holds && `; it holds up ${choose.longest_holds}`}.
        </p>
      )}
    </section>
  );
}

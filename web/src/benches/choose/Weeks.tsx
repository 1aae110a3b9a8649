import { useProject } from '../../api/project';
import { useAssessed } from '../../api/useInstallation';
import { formatNumber } from '../../figure/format';

/** Money by week, planned against paid, and what is waited for longest. */
export function Weeks() {
  const { view, at } = useProject();
  const out = useAssessed();
  const choose = out?.choose;
  if (!choose || choose.weeks.length === 0) return null;
  const money = (at('/need/currency') as string | undefined) ?? '';
  return (
    <section aria-label="Money by week" className="px-4 pt-3">
      <table className="row-table">
        <thead>
          <tr>
            <th scope="col" className="w-full !text-ink">
              Money by week{money ? `, ${money}` : ''}
            </th>
            <th scope="col">planned</th>
            <th scope="col">will cost</th>
            <th scope="col">paid</th>
          </tr>
        </thead>
        <tbody>
          {choose.weeks.map((w) => (
            <tr key={w.week}>
              <td>{w.week || 'no week said'}</td>
              <td className="num">{formatNumber(w.planned_si, 'money', view)}</td>
              <td className="num pl-4">{formatNumber(w.forecast_si, 'money', view)}</td>
              <td className="num pl-4">{formatNumber(w.spent_si, 'money', view)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {choose.longest && (
        <p>
          Longest to come: {choose.longest}
          {choose.longest_holds && `; it holds up ${choose.longest_holds}`}.
        </p>
      )}
    </section>
  );
}

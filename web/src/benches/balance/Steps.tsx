import { useProject, useShown } from '../../api/project';
import { formatNumber } from '../../figure/format';

/** What each wheel carries at each step of the work, as the craft stands. */
export function Steps() {
  const { view } = useProject();
  const { shown } = useShown();
  const steps = shown.balance?.steps ?? [];
  if (steps.length === 0) return null;
  const mass = (si: number) => formatNumber(si, 'mass', view);
  return (
    <section aria-label="Standing at each step" className="mb-4">
      <table className="row-table">
        <thead>
          <tr>
            <th scope="col" className="w-full !text-ink">
              Standing at each step of the work
            </th>
            <th scope="col">mass</th>
            <th scope="col">CG</th>
            {steps[0]?.loads.map((l) => (
              <th key={l.name} scope="col">
                {l.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {steps.map((s) => (
            <tr key={s.name}>
              <td>{s.name}</td>
              <td className="num pl-4">{mass(s.mass_si)}</td>
              <td className="num pl-4">{formatNumber(s.x_si, 'length', view)}</td>
              {s.loads.map((l) => (
                <td
                  key={l.name}
                  className={`num pl-4 ${l.mass_si < 0 ? 'text-stop' : l.mass_si < 0.05 * s.mass_si ? 'text-watch' : ''}`}
                >
                  {mass(l.mass_si)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

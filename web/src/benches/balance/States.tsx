import { useProject, useShown } from '../../api/project';
import { formatNumber, needed } from '../../figure/format';

/** `before → after`, or only after where nothing changed. */
function Pair(props: { before: number | null; after: number | null; dimension: string }) {
  const { view } = useProject();
  const said = (si: number | null) => (si === null ? '?' : formatNumber(si, props.dimension, view));
  const [before, after] = [said(props.before), said(props.after)];
  return (
    <span className="whitespace-nowrap">
      {before !== after && <span className="text-muted">{before} → </span>}
      {after}
    </span>
  );
}

/** Afloat, empty and in every loading: what a boatyard looks at first, freeboards and trim, before → after. */
export function AfloatStates() {
  const { shown } = useShown();
  const states = shown.balance?.afloat ?? [];
  const marks = states.find((s) => s.marks.length > 0)?.marks ?? [];
  return (
    <section aria-label="Afloat" className="mb-4">
      <table className="row-table">
        <thead>
          <tr>
            <th scope="col" className="w-full !text-ink">
              Afloat, before → after
            </th>
            <th scope="col">displacement</th>
            <th scope="col">trim, stern down</th>
            <th scope="col">heel</th>
            <th scope="col">GM</th>
          </tr>
        </thead>
        <tbody>
          {states.map((s) => [
            <tr key={s.id}>
              <td>{s.name}</td>
              <td className="num">
                <Pair before={s.displacement_before_si} after={s.displacement_si} dimension="mass" />
              </td>
              <td className="num pl-4">
                <Pair before={s.trim_before_si} after={s.trim_si} dimension="length" />
              </td>
              <td className="num pl-4">
                <Pair before={s.heel_before_si} after={s.heel_si} dimension="angle" />
              </td>
              <td className="num pl-4">
                <Pair before={s.gm_before_si} after={s.gm_si} dimension="length" />
              </td>
            </tr>,
            <tr key={`${s.id}-needs`} className="text-muted">
              {s.needs.length > 0 && (
                <td colSpan={5} className="pb-1 text-xs">
                  cannot say yet: needs {needed(s.needs)}
                </td>
              )}
            </tr>,
          ])}
        </tbody>
      </table>
      {marks.length > 0 && (
        <table className="row-table mt-2">
          <thead>
            <tr>
              <th scope="col" className="w-full !text-ink">
                Freeboards, before → after
              </th>
              {marks.map((m) => (
                <th key={m.id} scope="col" className="!text-right">
                  {m.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {states
              .filter((s) => s.marks.length > 0)
              .map((s) => (
                <tr key={s.id}>
                  <td>{s.name}</td>
                  {s.marks.map((m) => (
                    <td key={m.id} className="num pl-4">
                      <Pair before={m.before_si} after={m.after_si} dimension="length" />
                    </td>
                  ))}
                </tr>
              ))}
          </tbody>
        </table>
      )}
      <p className="mt-1 text-xs text-muted">
        Small-change method: KM and the waterplane held as found; good to 10 % of her displacement and a trim of a
        fiftieth of her length.
      </p>
    </section>
  );
}

/** On her wheels, empty and in every loading: axle loads and pitch limits, before → after. */
export function AxleStates(props: { pitch: boolean }) {
  const { shown } = useShown();
  const states = shown.balance?.axles ?? [];
  const share = (part: number | null, whole: number | null) => (part === null || !whole ? null : part / whole);
  return (
    <section aria-label="On the axles" className="mb-4">
      <table className="row-table">
        <thead>
          <tr>
            <th scope="col" className="w-full !text-ink">
              On the axles, before → after
            </th>
            <th scope="col">front</th>
            <th scope="col">rear</th>
            <th scope="col">on the front</th>
            {props.pitch && <th scope="col">front lifts, g</th>}
            {props.pitch && <th scope="col">rear lifts, g</th>}
          </tr>
        </thead>
        <tbody>
          {states.map((s) => (
            <tr key={s.id}>
              <td>
                {s.name}
                {s.needs.length > 0 && (
                  <span className="text-xs text-muted"> cannot say yet: needs {needed(s.needs)}</span>
                )}
              </td>
              <td className="num">
                <Pair before={s.front_before_si} after={s.front_si} dimension="mass" />
              </td>
              <td className="num pl-4">
                <Pair before={s.rear_before_si} after={s.rear_si} dimension="mass" />
              </td>
              <td className="num pl-4">
                <Pair
                  before={share(s.front_before_si, s.mass_before_si)}
                  after={share(s.front_si, s.mass_si)}
                  dimension="percent"
                />
              </td>
              {props.pitch && (
                <td className="num pl-4">
                  <Pair before={s.wheelie_before} after={s.wheelie} dimension="number" />
                </td>
              )}
              {props.pitch && (
                <td className="num pl-4">
                  <Pair before={s.stop_before} after={s.stop} dimension="number" />
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

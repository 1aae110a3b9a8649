import type { Ways } from '../../api/client';
import { useProject, useShown } from '../../api/project';
import { useForms } from '../../api/useForms';
import { FigureField } from '../../figure/FigureField';
import { BUTT_LINE, directed, formatNumber, MARGIN, needed, STATION, WATER_LINE } from '../../figure/format';
import { Collection, TextField } from '../../figure/forms';
import { Table } from '../../parts/Table';
import { Answers } from '../../sheet/Answers';
import { BenchSheet } from '../../sheet/BenchSheet';
import { Picture, Strip } from '../../sheet/Sheet';
import { AtRest } from './AtRest';
import { AxleLoads } from './AxleLoads';
import { BurnOrder } from './BurnOrder';
import { Envelope } from './EnvelopePlot';
import { Groups } from './Groups';
import { LedgerFiles } from './LedgerFiles';
import { MeasureNext } from './MeasureNext';
import { FromAbove, FromBehind } from './OnWheels';
import { Placement } from './Placement';
import { RightingArms } from './RightingArms';
import { AfloatStates, AxleStates } from './States';
import { Steelyard } from './Steelyard';
import { Steps } from './Steps';

const PLACE = [
  { key: 'mass', label: 'mass' },
  { key: 'station', label: 'station' },
  { key: 'butt_line', label: 'butt line' },
  { key: 'water_line', label: 'water line' },
];

/** Answers that belong together, by their names. */
const GROUPS: [string, RegExp][] = [
  ['As it stands', /^(empty-mass|empty-cg|heaviest|front-share|front-axle|rear-axle|freeboard|trim|sinkage)$/],
  ['Limits', /margin|chance|ballast|wheelie|^stop$|hill|anti-squat|static/],
  ['Steering', /^(rake|trail)$/],
  ['To one side, and up', /butt-line|water-line|heel|^gm$|lean|port-share/],
];

/** Weight and balance of the fit. */
export function BalanceBench() {
  const { fit } = useProject();
  const { has } = useForms();
  // Freeboards and axles come first where the trade looks at them first.
  const limited = has('cg limits');
  return (
    <div className="bg-sheet">
      {limited && (
        <Picture title="Envelope">
          <Envelope />
        </Picture>
      )}
      {has('afloat') && <RightingArms />}
      {has('stands on wheels') && (
        <Picture title="Axle loads">
          <AxleLoads />
        </Picture>
      )}
      {has('corners') && (
        <Picture title="From above">
          <FromAbove />
        </Picture>
      )}
      {has('pitch limits') && (
        <Picture title="From behind">
          <FromBehind />
        </Picture>
      )}
      <Strip label="Answers">
        <Answers bench="balance" columns={3} groups={GROUPS} />
      </Strip>
      <div className="px-4 py-3">
        {has('afloat') && <AfloatStates />}
        {has('afloat') && <AtRest />}
        {has('stands on wheels') && <AxleStates pitch={has('pitch limits')} />}
        <SteelyardPicture />
        <MeasureNext />
        <Placement />
        {limited && <BurnOrder />}
        <DerivedRows />
        {fit && (
          <Collection
            pointer={`/fits/${fit}/ledger`}
            title="In and out, this fit"
            one="row"
            fresh={{ kind: 'installed' }}
            columns={[{ key: 'kind', label: 'what', kind: 'choice' }, ...PLACE]}
          />
        )}
        <Collection
          pointer="/ledger"
          title="In and out, every fit"
          one="row"
          fresh={{ kind: 'removed' }}
          columns={[{ key: 'kind', label: 'what', kind: 'choice' }, ...PLACE]}
        />
        <MovedRows base="/ledger" />
        {fit && <MovedRows base={`/fits/${fit}/ledger`} />}
        <Groups />
        <LedgerFiles />
        {has('scales') && <Steps />}
        <Loadings />
      </div>
      <BenchSheet bench="balance" />
    </div>
  );
}

function SteelyardPicture() {
  return (
    <Picture title="Steelyard">
      <Steelyard />
    </Picture>
  );
}

/** Rows that follow from the installations; typed there, never twice. */
function DerivedRows() {
  const { view } = useProject();
  const { shown } = useShown();
  const rows = (shown.balance?.ledger ?? []).filter((r) => r.derived);
  if (rows.length === 0) return null;
  const cell = (si: number | null | undefined, ways: Ways) => (si == null ? '?' : directed(si, 'length', view, ways));
  return (
    <section aria-label="From the installations" className="mb-4">
      <Table
        rows={rows}
        id={(r) => r.id}
        rowClass={(r) => (r.sign < 0 ? 'text-muted' : '')}
        columns={[
          { id: 'name', head: 'Units, with what belongs to them', headClass: '!text-ink', cell: (r) => r.name },
          { id: 'kind', head: 'what', cell: (r) => r.kind },
          {
            id: 'mass',
            head: 'mass',
            num: true,
            cell: (r) => <FigureField bare pointer={`${r.pointer}/mass`} label={`${r.name} ${r.kind}, mass`} />,
          },
          { id: 'station', head: 'station', num: true, cell: (r) => cell(r.x_si, STATION) },
          { id: 'butt', head: 'butt line', num: true, cell: (r) => cell(r.y_si, BUTT_LINE) },
          { id: 'water', head: 'water line', num: true, cell: (r) => cell(r.z_si, WATER_LINE) },
        ]}
      />
    </section>
  );
}

/** Where moved rows go. */
function MovedRows(props: { base: string }) {
  const { at } = useProject();
  const rows = Object.entries((at(props.base) ?? {}) as Record<string, { kind: string; name: string }>).filter(
    ([, r]) => r.kind === 'moved',
  );
  return (
    <>
      {rows.map(([key, r]) => (
        <div key={key} className="mb-2 grid grid-cols-3 gap-4">
          <FigureField pointer={`${props.base}/${key}/to_station`} label={`${r.name}: new station`} />
          <FigureField pointer={`${props.base}/${key}/to_butt_line`} label="new butt line" />
          <FigureField pointer={`${props.base}/${key}/to_water_line`} label="new water line" />
        </div>
      ))}
    </>
  );
}

interface Named {
  name: string;
  rank: number;
}

/** Loadings: who sits where, fuel per tank, and what follows. */
function Loadings() {
  const { at, edit, view, fit } = useProject();
  const { shown } = useShown();
  const sorted = (pointer: string) =>
    Object.entries((at(pointer) ?? {}) as Record<string, Named>).sort(([, a], [, b]) => a.rank - b.rank);
  const seats = sorted('/craft/seats');
  const tanks = [...sorted('/craft/tanks'), ...(fit ? sorted(`/fits/${fit}/tanks`) : [])];
  const loadings = sorted('/loadings');
  const add = () => {
    const n = loadings.length + 1;
    void edit(
      [{ op: 'add', path: `/loadings/loading-${Date.now().toString(36)}`, value: { name: `Loading ${n}`, rank: n } }],
      'loading added',
    );
  };
  return (
    <section aria-label="Loadings" className="grid gap-4">
      <div>
        <Table
          rows={loadings}
          id={([key]) => key}
          pointer={([key]) => `/loadings/${key}`}
          columns={[
            {
              id: 'name',
              head: 'Loadings',
              headClass: '!text-ink',
              cell: ([key, l], i) => (
                <span className="flex items-baseline gap-1">
                  {i + 1} <TextField bare pointer={`/loadings/${key}/name`} label={`name of ${l.name}`} />
                </span>
              ),
            },
            ...seats.map(([s, seat]) => ({
              id: `seat ${s}`,
              head: seat.name,
              cell: ([key, l]: (typeof loadings)[number]) => (
                <FigureField bare pointer={`/loadings/${key}/loads/${s}`} label={`${l.name}, ${seat.name}`} />
              ),
            })),
            ...tanks.map(([t, tank]) => ({
              id: `tank ${t}`,
              head: tank.name,
              cell: ([key, l]: (typeof loadings)[number]) => (
                <FigureField bare pointer={`/loadings/${key}/fuel/${t}`} label={`${l.name}, fuel in ${tank.name}`} />
              ),
            })),
            {
              id: 'off',
              head: (
                <button type="button" className="quiet" onClick={add}>
                  add
                </button>
              ),
              cell: ([key, l]) => (
                <button
                  type="button"
                  className="quiet text-muted"
                  aria-label={`take ${l.name} off the list`}
                  onClick={() => void edit([{ op: 'remove', path: `/loadings/${key}` }], `${l.name} taken off`)}
                >
                  ✕
                </button>
              ),
            },
          ]}
          below={([key]) => {
            const out = shown.balance?.loadings.find((o) => o.id === key);
            if (out?.mass_si == null || out.x_si == null)
              return `cannot say yet: needs ${out ? needed(out.needs) : 'the craft'}`;
            return (
              <>
                {formatNumber(out.mass_si, 'mass', view)} at {directed(out.x_si, 'length', view, STATION)}
                {out.forward_margin_si != null &&
                  out.aft_margin_si != null &&
                  ` · least margin forward ${directed(out.forward_margin_si, 'length', view, MARGIN)}, aft ${directed(out.aft_margin_si, 'length', view, MARGIN)}`}
              </>
            );
          }}
        />
        {loadings.length === 0 && <p className="text-muted">None yet.</p>}
      </div>
    </section>
  );
}

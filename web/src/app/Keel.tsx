import { Link } from '@tanstack/react-router';
import { memo } from 'react';
import type { Assessment, Bench, Level } from '../api/client';
import { COLOURS, WORDS } from '../findings/Mark';
import type { Page } from './benches';

const PITCH = 76;
const FAINT = 0.4;

/** How far a watch bows out, px: the nearer its limit, measured in its doubts, the further. */
function bow(doubts: number | null | undefined): number {
  return doubts == null ? 10 : 6 + 8 * (1 - Math.min(1, Math.max(0, doubts)));
}

function stroke(level: Level | null, top: number, x: number, length: number, out: number): string {
  const at = (share: number) => top + share * length;
  if (level === 'stop')
    return `M${x} ${top}V${at(0.38)}L${x + 6} ${at(0.48)}M${x - 6} ${at(0.54)}L${x} ${at(0.64)}V${at(1)}`;
  if (level === 'watch')
    return `M${x} ${top}C${x} ${at(0.22)} ${x + out} ${at(0.24)} ${x + out} ${at(0.5)}S${x} ${at(0.78)} ${x} ${at(1)}`;
  return `M${x} ${top}V${at(1)}`;
}

interface RailProps {
  id: string;
  bench: Page;
  benches: Assessment['benches'];
  /** Benches that were not asked yet while a hand moves: what stands of them is of before, and drawn faint. */
  behind: Bench[];
}

/** One vertical line through nine benches: straight, bowed, broken, dotted. */
export const KeelRail = memo(function KeelRail(props: RailProps) {
  const on = props.bench === 'first';
  return (
    <div className="no-print overflow-y-auto overflow-x-hidden border-r border-rule [grid-area:rail]">
      <Link
        to="/p/$id/$bench"
        params={{ id: props.id, bench: 'first' }}
        search={(s) => ({ ...s, finding: undefined })}
        aria-current={on ? 'page' : undefined}
        className={`head block border-b border-rule py-1.5 pl-3.5 text-[15px] ${on ? 'bg-sheet text-act' : ''}`}
      >
        First figures
      </Link>
      <Benches {...props} />
    </div>
  );
});

function Benches(props: RailProps) {
  return (
    <nav aria-label="Benches" className="relative">
      <svg width="52" height={16 + PITCH * 9} className="absolute left-0 top-0" aria-hidden="true">
        {props.benches.map((b, i) => (
          <path
            key={b.bench}
            d={stroke(b.level ?? null, 14 + i * PITCH, 28, PITCH, bow(b.margin?.doubts))}
            fill="none"
            strokeWidth="4"
            strokeLinecap={b.level === 'unknown' || b.level === null ? 'round' : 'butt'}
            stroke={b.level ? COLOURS[b.level] : 'var(--color-grey)'}
            strokeDasharray={b.level === 'unknown' || b.level === null ? '0.5 9' : undefined}
            opacity={props.behind.includes(b.bench) ? FAINT : undefined}
          />
        ))}
      </svg>
      <ol style={{ height: 16 + PITCH * 9 }}>
        {props.benches.map((b, i) => {
          const words = b.failed
            ? 'failed'
            : [
                b.stops && `${b.stops} stop`,
                b.watches && `${b.watches} watch`,
                b.unknowns && `${b.unknowns} cannot say`,
              ]
                .filter(Boolean)
                .join(', ');
          const name = b.bench[0]?.toUpperCase() + b.bench.slice(1);
          const place = { top: 34 + i * PITCH - 2 };
          const late = props.behind.includes(b.bench);
          const body = (
            <>
              <span className="head block text-[18px] leading-tight">{name}</span>
              <span className="block text-xs leading-tight text-muted">
                {b.built ? words || 'ok' : 'not built yet'}
              </span>
            </>
          );
          return (
            <li
              key={b.bench}
              className="absolute left-[50px] right-0"
              style={late ? { ...place, opacity: FAINT } : place}
              data-behind={late || undefined}
            >
              {b.built ? (
                <Link
                  to="/p/$id/$bench"
                  params={{ id: props.id, bench: b.bench }}
                  search={(s) => ({ ...s, finding: undefined })}
                  aria-label={`${name}: ${b.level ? WORDS[b.level] : 'not started'}${late ? ', as before the move' : ''}`}
                  aria-current={b.bench === props.bench ? 'page' : undefined}
                  data-level={b.level}
                  className={`block py-0.5 pl-2 ${b.bench === props.bench ? 'border border-r-0 border-rule bg-sheet text-act' : 'border border-transparent'}`}
                >
                  <span className="rail-words">{body}</span>
                  <span className="sr-only">{name}</span>
                </Link>
              ) : (
                <span className="block py-0.5 pl-[9px] text-muted">
                  <span className="rail-words">{body}</span>
                </span>
              )}
            </li>
          );
        })}
      </ol>
    </nav>
  );
}

/** The small keel of a project, lying down. */
export function SmallKeel(props: { levels: { bench: Bench; level?: Level | null }[] }) {
  const step = 15;
  const worst = props.levels.map((l) => `${l.bench} ${l.level ? WORDS[l.level] : 'not built yet'}`).join(', ');
  return (
    <svg width={step * 9 + 4} height="24" viewBox={`0 0 ${step * 9 + 4} 24`} role="img" aria-label={worst}>
      {props.levels.map((l, i) => {
        const x = 2 + i * step;
        const d =
          l.level === 'stop'
            ? `M${x} 12H${x + 5}L${x + 8} 7M${x + 7} 17L${x + 10} 12H${x + step}`
            : l.level === 'watch'
              ? `M${x} 12C${x + 5} 12 ${x + 4} 5 ${x + 7.5} 5S${x + 10} 12 ${x + step} 12`
              : `M${x} 12H${x + step}`;
        const dotted = !l.level || l.level === 'unknown';
        return (
          <path
            key={l.bench}
            d={d}
            fill="none"
            stroke={l.level ? COLOURS[l.level] : 'var(--color-grey)'}
            strokeWidth="3.4"
            strokeLinecap={dotted ? 'round' : 'butt'}
            strokeDasharray={dotted ? '0.5 6' : undefined}
          />
        );
      })}
    </svg>
  );
}

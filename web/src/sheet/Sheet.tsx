import { type ReactNode, useState } from 'react';
import { workshop } from '../api/route';
import { useInstallation } from '../api/useInstallation';

/** A titled group of figures. */
export function Group(props: { title: string; children: ReactNode; hint?: string }) {
  return (
    <section aria-label={props.title} className="mb-4">
      <h2 className="mb-1 border-b border-ink pb-0.5 text-[15px]">{props.title}</h2>
      {props.hint && <p className="text-muted">{props.hint}</p>}
      {props.children}
    </section>
  );
}

/** A group that is there when asked for: worked out or looked at only then. */
export function Fold(props: { title: string; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <section aria-label={props.title} className="mb-4">
      <h2 className="border-b border-ink pb-0.5 text-[15px]">
        <button type="button" className="w-full text-left" aria-expanded={open} onClick={() => setOpen(!open)}>
          {props.title} <span className="text-muted">{open ? 'fold' : 'open'}</span>
        </button>
      </h2>
      {open && props.children}
    </section>
  );
}

/** A group of figures that few need: open when something in it is filled in, or when somebody looks for one of its fields. */
export function FoldedFields(props: { title: string; filled: boolean; children: ReactNode }) {
  const [open, setOpen] = useState(props.filled);
  return (
    <details className="mb-3" open={open || props.filled} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary className="head cursor-pointer border-b border-rule pb-0.5 text-[15px] text-muted">
        {props.title}
      </summary>
      <div className="pt-1.5">{props.children}</div>
    </details>
  );
}

/** Two columns of figures, one at tablet width; flowing, the second begins where the first is full. */
export function Columns(props: { children: ReactNode; flowing?: boolean }) {
  const layout = props.flowing ? 'min-[900px]:columns-2 [&>*]:break-inside-avoid' : 'grid min-[900px]:grid-cols-2';
  return <div className={`gap-x-8 px-4 py-3 ${layout}`}>{props.children}</div>;
}

/** A strip across the whole middle. */
export function Strip(props: { children: ReactNode; label: string }) {
  return (
    <section aria-label={props.label} className="border-b border-rule bg-sheet px-4 py-2">
      {props.children}
    </section>
  );
}

/** The bench's own picture; it folds to a strip so that a table can have the whole middle. */
export function Picture(props: { title: string; children: ReactNode }) {
  const [folded, setFolded] = useState(false);
  return (
    <section aria-label={props.title} className="border-b border-ink">
      <div className="flex h-7 items-center gap-3 px-3.5">
        <b className="head">{props.title}</b>
        <span className="flex-1" />
        <button type="button" className="quiet text-muted" aria-expanded={!folded} onClick={() => setFolded(!folded)}>
          {folded ? 'unfold' : 'fold'}
        </button>
      </div>
      {!folded && props.children}
    </section>
  );
}

/** Which of several units the bench looks at: a twin has two. */
export function UnitTabs() {
  const { all, id } = useInstallation();
  const go = workshop.useNavigate();
  if (all.length < 2) return null;
  return (
    <nav aria-label="Units" className="flex gap-1 border-b border-rule px-4">
      {all.map((i) => (
        <button
          key={i.id}
          type="button"
          aria-pressed={i.id === id}
          className={`head h-9 cursor-pointer px-2 ${i.id === id ? 'border-b-[3px] border-act text-ink' : 'text-muted'}`}
          onClick={() => void go({ search: (s) => ({ ...s, unit: i.id }) })}
        >
          {i.name}
        </button>
      ))}
    </nav>
  );
}

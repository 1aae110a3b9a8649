import { AlertDialog, Dialog } from 'radix-ui';
import { type FormEvent, type ReactNode, useId, useRef, useState } from 'react';
import { Refused } from '../api/client';

/** The words of a refusal, or of whatever else went wrong. */
export function wordsOf(bad: unknown): string {
  return bad instanceof Refused ? bad.words : String(bad);
}

/** A short form that begins something; what the server refuses stands under it, and what was typed stays. */
export function FormDialog(props: {
  title: string;
  hint: string;
  submit: string;
  onSubmit: (form: FormData) => Promise<void>;
  children: ReactNode;
}) {
  const [error, setError] = useState<string | null>(null);
  async function submit(event: FormEvent<HTMLFormElement>) {
    event.preventDefault();
    try {
      await props.onSubmit(new FormData(event.currentTarget));
    } catch (bad) {
      setError(wordsOf(bad));
    }
  }
  return (
    <Dialog.Root onOpenChange={() => setError(null)}>
      <Dialog.Trigger className="btn btn-main !px-4 !py-1.5">{props.title}</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
        <Dialog.Content className="fixed left-1/2 top-24 z-30 w-[26rem] -translate-x-1/2 border border-ink bg-sheet p-5 shadow-lg">
          <Dialog.Title className="text-[21px]">{props.title}</Dialog.Title>
          <Dialog.Description className="mb-3 text-muted">{props.hint}</Dialog.Description>
          <form onSubmit={(e) => void submit(e)} className="grid gap-3">
            {props.children}
            {error && (
              <p role="alert" className="text-stop">
                {error}
              </p>
            )}
            <div className="flex justify-end gap-2">
              <Dialog.Close className="btn !py-1.5">Not now</Dialog.Close>
              <button type="submit" className="btn btn-main !py-1.5">
                {props.submit}
              </button>
            </div>
          </form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** A line of a form; options are offered while one types, anything else may be written. */
export function Asked(props: {
  label: string;
  name: string;
  required?: boolean;
  placeholder?: string;
  options?: string[];
}) {
  const id = useId();
  return (
    <label className="grid gap-1">
      {props.label}
      <input
        name={props.name}
        required={props.required}
        maxLength={120}
        autoComplete="off"
        placeholder={props.placeholder}
        list={props.options ? id : undefined}
        className="border border-ink bg-sheet px-2 py-1"
      />
      {props.options && (
        <datalist id={id}>
          {props.options.map((o) => (
            <option key={o} value={o} />
          ))}
        </datalist>
      )}
    </label>
  );
}

/** Asks before something goes for good; a refusal of the server stands in it. */
export function RemoveDialog(props: {
  name: string;
  words: string;
  /** What is done to it. */
  verb?: string;
  className?: string;
  /** A way to keep it first. */
  keep?: ReactNode;
  onRemove: () => Promise<void>;
}) {
  const [open, setOpen] = useState(false);
  const [refused, setRefused] = useState<string | null>(null);
  const verb = props.verb ?? 'remove';
  const title = verb[0]?.toUpperCase() + verb.slice(1);
  const [busy, setBusy] = useState(false);
  async function remove() {
    setBusy(true);
    try {
      await props.onRemove();
      setOpen(false);
    } catch (bad) {
      setRefused(wordsOf(bad));
    } finally {
      setBusy(false);
    }
  }
  return (
    <AlertDialog.Root
      open={open}
      onOpenChange={(o) => {
        setOpen(o);
        setRefused(null);
      }}
    >
      <AlertDialog.Trigger className={`quiet text-muted ${props.className ?? ''}`} aria-label={`${verb} ${props.name}`}>
        {verb}
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-20 bg-ink/30" />
        <AlertDialog.Content className="fixed left-1/2 top-40 z-30 w-96 -translate-x-1/2 border border-ink bg-sheet p-5 shadow-lg">
          <AlertDialog.Title className="text-[19px]">
            {title} {props.name}?
          </AlertDialog.Title>
          <AlertDialog.Description className="my-2">{props.words}</AlertDialog.Description>
          {refused && (
            <p role="alert" className="mb-2 text-stop">
              {refused}
            </p>
          )}
          <div className="flex items-center justify-end gap-2">
            <span className="mr-auto">{props.keep}</span>
            <AlertDialog.Cancel className="btn">Leave it</AlertDialog.Cancel>
            <button type="button" className="btn btn-main" disabled={busy} onClick={() => void remove()}>
              {busy ? 'a moment…' : title}
            </button>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}

/** A button that takes a file; the same file may be taken again. */
export function FileButton(props: {
  label: string;
  accept: string;
  className: string;
  children: ReactNode;
  onFile: (file: File) => void;
}) {
  const picker = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={picker}
        type="file"
        accept={props.accept}
        className="hidden"
        aria-label={props.label}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) props.onFile(file);
          e.target.value = '';
        }}
      />
      <button type="button" className={props.className} onClick={() => picker.current?.click()}>
        {props.children}
      </button>
    </>
  );
}

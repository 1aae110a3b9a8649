/** What is asked for each kind of record. A figure is written as people write it, with its unit. */
export interface Ask {
  name: string;
  label: string;
  as: 'text' | 'figure' | 'choice' | 'number' | 'day' | 'long';
  choices?: string[];
  required?: boolean;
  hint?: string;
}

export interface Form {
  kind: string;
  title: string;
  /** The name of the record in one line. */
  said: (data: Record<string, unknown>) => string;
  asks: Ask[];
}

const entered = (v: unknown): string =>
  v && typeof v === 'object' && 'entered' in v ? String((v as { entered: string }).entered) : '';
const words = (...parts: unknown[]): string =>
  parts.filter((p) => p !== undefined && p !== null && p !== '' && p !== false).join(', ');

export const FORMS: Form[] = [
  {
    kind: 'torque',
    title: 'Torque',
    said: (d) =>
      words(`${d.fastener} ${d.place ?? ''}`.trim(), entered(d.actual), d.tool, d.marked === 'yes' && 'marked'),
    asks: [
      { name: 'fastener', label: 'Fastener', as: 'text', required: true },
      { name: 'place', label: 'Which of them', as: 'text', hint: '1, 2, … clockwise' },
      { name: 'thread', label: 'Thread', as: 'text', hint: 'M10x1.25, 3/8-16' },
      { name: 'grade', label: 'Marking', as: 'text', hint: '8.8, grade 5' },
      {
        name: 'lubricant',
        label: 'On the thread',
        as: 'choice',
        choices: ['dry', 'oiled', 'moly or anti-seize', 'zinc, dry'],
      },
      { name: 'target', label: 'Target', as: 'figure', hint: '66 N·m' },
      { name: 'target_from', label: 'Target from', as: 'choice', choices: ['maker', 'computed', 'table'] },
      { name: 'actual', label: 'As read', as: 'figure', hint: '66 N·m' },
      { name: 'tool', label: 'Wrench', as: 'text' },
      { name: 'calibrated', label: 'Wrench last tried', as: 'day' },
      { name: 'marked', label: 'Mark seen on it', as: 'choice', choices: ['yes', 'no'] },
      { name: 'again', label: 'Due again', as: 'day' },
    ],
  },
  {
    kind: 'fastener',
    title: 'Fastener in its hole',
    said: (d) => words(`${d.of}, hole ${d.hole}`, entered(d.length), d.way, d.washer),
    asks: [
      { name: 'of', label: 'Set', as: 'text', required: true, hint: 'sump, cover' },
      { name: 'hole', label: 'Hole', as: 'text', required: true },
      { name: 'length', label: 'Length', as: 'figure', hint: '45 mm' },
      { name: 'way', label: 'Which way round', as: 'text' },
      { name: 'washer', label: 'Washer', as: 'text' },
    ],
  },
  {
    kind: 'fluid',
    title: 'Fluid',
    said: (d) =>
      words(
        d.system,
        entered(d.drained) && `${entered(d.drained)} drained`,
        entered(d.filled) && `${entered(d.filled)} filled`,
        d.level,
      ),
    asks: [
      { name: 'system', label: 'Of what', as: 'text', required: true, hint: 'oil, coolant, gear oil' },
      { name: 'drained', label: 'Drained', as: 'figure', hint: '3.2 L' },
      { name: 'filled', label: 'Filled', as: 'figure', hint: '3.5 L' },
      { name: 'grade', label: 'Grade', as: 'text' },
      { name: 'lot', label: 'Lot', as: 'text' },
      { name: 'level', label: 'Level', as: 'choice', choices: ['at the mark', 'below it', 'above it', 'not read'] },
      { name: 'read_how', label: 'Read how', as: 'text', hint: 'dipstick, level, cold' },
    ],
  },
  {
    kind: 'removed',
    title: 'Part that came off',
    said: (d) => words(d.part, entered(d.mass), d.becomes),
    asks: [
      { name: 'part', label: 'Part', as: 'text', required: true },
      { name: 'mass', label: 'Weighs', as: 'figure', hint: '4.2 kg' },
      { name: 'station', label: 'Sat aft of the datum', as: 'figure', hint: '5100 mm' },
      { name: 'butt_line', label: 'Sat to starboard', as: 'figure', hint: '0 mm' },
      { name: 'water_line', label: 'Sat above the level line', as: 'figure', hint: '120 mm' },
      { name: 'becomes', label: 'What becomes of it', as: 'choice', choices: ['kept', 'sold', 'scrapped', 'returned'] },
      { name: 'price', label: 'Price', as: 'figure' },
    ],
  },
  {
    kind: 'connection',
    title: 'Connection',
    said: (d) => words(d.label, d.step, d.tried),
    asks: [
      { name: 'label', label: 'Label', as: 'text', required: true, hint: 'F1 fuel feed' },
      { name: 'end_a', label: 'Tag at this end', as: 'text' },
      { name: 'end_b', label: 'Tag at the other', as: 'text' },
      {
        name: 'step',
        label: 'Is',
        as: 'choice',
        choices: ['parted', 'mated again', 'capped', 'left off'],
        required: true,
      },
      {
        name: 'tried',
        label: 'Tried by',
        as: 'choice',
        choices: ['tugged', 'leak tested', 'run and looked at', 'not tried'],
      },
      { name: 'bore', label: 'Bore', as: 'figure', hint: '8 mm' },
    ],
  },
  {
    kind: 'squawk',
    title: 'Squawk',
    said: (d) => words(d.text, `severity ${d.severity}`),
    asks: [
      { name: 'text', label: 'What is not right', as: 'long', required: true },
      {
        name: 'severity',
        label: 'Severity',
        as: 'number',
        required: true,
        hint: '1 grounds it, 2 before a start, 3 before it goes out, 4 when there is time',
      },
    ],
  },
  {
    kind: 'closure',
    title: 'Squawk put right',
    said: (d) => words(`squawk ${d.squawk}`, d.evidence),
    asks: [
      { name: 'squawk', label: 'Number of the squawk', as: 'number', required: true },
      { name: 'evidence', label: 'What was done, what shows it', as: 'long', required: true },
    ],
  },
  {
    kind: 'spend',
    title: 'Money spent',
    said: (d) => words(d.what, entered(d.amount)),
    asks: [
      { name: 'what', label: 'For what', as: 'text', required: true },
      { name: 'amount', label: 'Amount', as: 'figure', required: true },
    ],
  },
  {
    kind: 'hours',
    title: 'Hours worked',
    said: (d) => words(entered(d.hours)),
    asks: [{ name: 'hours', label: 'Hours', as: 'figure', required: true, hint: '3 h' }],
  },
];

/** A record in one line. */
export function saidOf(kind: string, data: Record<string, unknown>): string {
  const form = FORMS.find((f) => f.kind === kind);
  if (form) return form.said(data);
  if (kind === 'step') return `${data.step}`;
  if (kind === 'witness') return `seen as ${data.role}: ${data.evidence}`;
  if (kind === 'card') return `${data.card}: ${data.result}${data.why ? `, ${data.why}` : ''}`;
  if (kind === 'reading') return `${String(data.what).replaceAll('_', ' ')}: ${data.entered}`;
  if (kind === 'log') return `${data.name}, ${data.rows} rows`;
  if (kind === 'photo') return `photograph: ${data.of}`;
  if (kind === 'second weighing') return `${data.support}: ${entered(data.reading)}`;
  if (kind === 'withdrawn') return `withdraws record ${data.corrects}`;
  return kind;
}

// From where a place of a record is measured, and which way.
const PLACES: Record<string, { from: string; dir: string }> = {
  station: { from: 'datum', dir: 'aft' },
  butt_line: { from: 'centreline', dir: 'starboard' },
  water_line: { from: 'level line', dir: 'up' },
};

/** What was typed into a form, as a record: blanks left out, figures marked as measured. */
export function asRecord(form: Form, typed: FormData): Record<string, unknown> {
  const made: Record<string, unknown> = { kind: form.kind };
  for (const ask of form.asks) {
    const text = String(typed.get(ask.name) ?? '').trim();
    if (text === '') continue;
    made[ask.name] =
      ask.as === 'figure'
        ? {
            entered: text,
            source: ask.name === 'target' ? 'maker' : 'measured',
            ...PLACES[ask.name],
          }
        : ask.as === 'number'
          ? Number(text)
          : text;
  }
  return made;
}

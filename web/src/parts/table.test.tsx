// @vitest-environment jsdom
import { act } from 'react';
import { createRoot } from 'react-dom/client';
import { renderToStaticMarkup } from 'react-dom/server';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { Table, type TableColumn } from './Table';

interface Row {
  id: string;
  name: string;
  mass: number | null;
}
const ROWS: Row[] = [
  { id: 'a', name: 'pump', mass: 2 },
  { id: 'b', name: 'Anode', mass: null },
  { id: 'c', name: 'battery', mass: 19 },
  { id: 'd', name: 'ångström plate', mass: 0.5 },
];
const COLUMNS: TableColumn<Row>[] = [
  { id: 'name', head: 'what', cell: (r) => r.name, by: (r) => r.name },
  { id: 'mass', head: 'mass', num: true, cell: (r) => r.mass ?? '?', by: (r) => r.mass },
  { id: 'note', head: 'note', cell: () => '' },
];

(globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
let box: HTMLDivElement;
let root: ReturnType<typeof createRoot>;
beforeEach(() => {
  box = document.body.appendChild(document.createElement('div'));
  root = createRoot(box);
});
afterEach(() => {
  act(() => root.unmount());
  box.remove();
});
const show = (rows: readonly Row[], more: object = {}) =>
  act(() => root.render(<Table rows={rows} id={(r) => r.id} columns={COLUMNS} {...more} />));
const names = () => [...box.querySelectorAll('tbody tr')].map((tr) => tr.querySelector('td')?.textContent);
const press = (head: string) =>
  act(() => ([...box.querySelectorAll('th button')].find((b) => b.textContent === head) as HTMLButtonElement).click());
const sorted = (head: string) =>
  [...box.querySelectorAll('th')].find((th) => th.textContent === head)?.getAttribute('aria-sort');

describe('a table', () => {
  it('stands in the order in which its rows come', () => {
    show(ROWS);
    expect(names()).toEqual(['pump', 'Anode', 'battery', 'ångström plate']);
    expect(sorted('what')).toBeNull();
  });
  it('is put in order by a word, then the other way, as people order words', () => {
    show(ROWS);
    press('what');
    expect(names()).toEqual(['ångström plate', 'Anode', 'battery', 'pump'].sort((a, b) => a.localeCompare(b)));
    expect(sorted('what')).toBe('ascending');
    press('what');
    expect(sorted('what')).toBe('descending');
    expect(names()[0]).toBe('pump');
  });
  it('is put in order by a figure the largest first; what is not known comes last either way', () => {
    show(ROWS);
    press('mass');
    expect(names()).toEqual(['battery', 'pump', 'ångström plate', 'Anode']);
    press('mass');
    expect(names()).toEqual(['ångström plate', 'pump', 'battery', 'Anode']);
  });
  it('keeps its order when a row comes or goes', () => {
    show(ROWS);
    press('mass');
    show([...ROWS.slice(1), { id: 'e', name: 'mount', mass: 7 }]);
    expect(names()).toEqual(['battery', 'mount', 'ångström plate', 'Anode']);
  });
  it('has no button where nothing is put in order', () => {
    show(ROWS);
    expect([...box.querySelectorAll('th button')].map((b) => b.textContent)).toEqual(['what', 'mass']);
  });
  it('has figures to the right', () => {
    show(ROWS);
    const cells = [...box.querySelectorAll('tbody tr:first-child td')].map((td) => td.className);
    expect(cells[1]).toContain('num');
    expect(cells[0]).not.toContain('num');
  });
  it('has a line across under a row that wants one', () => {
    show(ROWS, { below: (r: Row) => (r.mass === null ? 'its mass is not known' : null) });
    const under = box.querySelector('td[colspan="3"]');
    expect(under?.textContent).toBe('its mass is not known');
    expect(under?.closest('tr')?.previousElementSibling?.textContent).toContain('Anode');
  });
  it('carries what a row says of itself, and rows before and after', () => {
    show(ROWS, {
      data: (r: Row) => ({ 'data-part': r.id }),
      first: (
        <tr>
          <td>first</td>
        </tr>
      ),
      last: (
        <tr>
          <td>last</td>
        </tr>
      ),
    });
    expect(names()[0]).toBe('first');
    expect(names().at(-1)).toBe('last');
    expect(box.querySelector('[data-part="c"]')?.textContent).toContain('battery');
  });
});

it('a long one is drawn in a window of its own, and says how many rows it has', () => {
  const many = Array.from({ length: 500 }, (_, i) => ({ id: `r${i}`, name: `part ${i}`, mass: i }));
  const drawn = document.createElement('div');
  drawn.innerHTML = renderToStaticMarkup(<Table rows={many} id={(r) => r.id} columns={COLUMNS} label="ledger" />);
  expect(drawn.querySelector('.long-table')?.getAttribute('data-rows')).toBe('500');
  expect(drawn.querySelector('table')?.getAttribute('aria-rowcount')).toBe('500');
  expect(drawn.querySelectorAll('tbody tr').length).toBeLessThan(80);
});

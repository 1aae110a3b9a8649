import { Link, useNavigate, useSearch } from '@tanstack/react-router';
import type { Units } from '../api/client';
import { Brand } from '../parts/Brand';

/** In which units the library is looked at, and the way to the other. */
export function useUnits(): { units: Units; turn: () => void } {
  const { units = 'mm-kg' } = useSearch({ strict: false }) as { units?: Units };
  const go = useNavigate();
  const other: Units = units === 'mm-kg' ? 'in-lb' : 'mm-kg';
  return { units, turn: () => void go({ to: '.', search: { units: other }, replace: true }) };
}

/** The strip over the pages of the library. */
export function LibraryHead() {
  const { units, turn } = useUnits();
  return (
    <header className="flex h-11 items-center gap-4 border-b border-rule bg-sheet px-6">
      <Link to="/" aria-label="all repowers" className="flex items-center gap-3">
        <Brand />
        <span className="head text-[21px]">Crooked Keel</span>
      </Link>
      <Link to="/library" search={{ units }} className="head text-act">
        Library
      </Link>
      <span className="flex-1" />
      <button type="button" className="quiet head" onClick={turn}>
        {units === 'mm-kg' ? 'mm · kg' : 'in · lb'}
      </button>
    </header>
  );
}

import type { ProjectOverview } from '@opsimath/contract/api/projects';
import { Link, NavLink } from 'react-router';
import { count, counted } from '../parts/words/figures';
import { chooseTheme } from '../state/preferences';
import { useAppDispatch, useAppSelector } from '../state/store';
import { STAGES } from './stages';

interface StagesRowProps {
  project: number;
  search: string;
  overview: ProjectOverview | undefined;
  /** Looks and work that are due in Watch. */
  due: number | undefined;
  onCommand: () => void;
  onKeys: () => void;
}

export function StagesRow({ project, search, overview, due, onCommand, onKeys }: StagesRowProps) {
  const theme = useAppSelector((state) => state.preferences.theme);
  const dispatch = useAppDispatch();
  return (
    <nav className="stages no-print" aria-label="Stages">
      <Link to="/" className="name">
        Opsimath
      </Link>
      {STAGES.map((stage) => {
        const waiting = overview ? stage.count(overview) : null;
        return (
          <NavLink key={stage.path} to={`/p/${project}/${stage.path}${search}`} className="stage">
            {stage.name}
            {stage.path === 'watch' && due ? (
              <span className="count" title={`${counted(waiting ?? 0, 'keyword')} followed`}>
                {count(due)} due
              </span>
            ) : (
              waiting !== null && <span className="count">{count(waiting)}</span>
            )}
          </NavLink>
        );
      })}
      <span className="right soft">
        <button className="plain" onClick={() => dispatch(chooseTheme(theme === 'light' ? 'dark' : 'light'))}>
          {theme === 'light' ? 'Dark' : 'Light'}
        </button>
        <button className="plain" onClick={onKeys}>
          Keys <kbd>?</kbd>
        </button>
        <button className="plain" onClick={onCommand}>
          Go to <kbd>Ctrl K</kbd>
        </button>
      </span>
    </nav>
  );
}

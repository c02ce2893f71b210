import type { ProjectOverview } from '@opsimath/contract/api/projects';
import { Link, NavLink } from 'react-router';
import { count, counted } from '../parts/words/figures';
import { chooseTheme } from '../state/preferences';
import { useAppDispatch, useAppSelector } from '../state/store';
import { LanguageChoice } from './LanguageChoice';
import { STAGES } from './stages';
import { Told } from '../words/Told';
import { t } from '../words/t';

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
    <nav className="stages no-print" aria-label={t('shell:StagesRow.stages')}>
      <Link to="/" className="name">
        {t('shell:StagesRow.opsimath')}
      </Link>
      {STAGES.map((stage) => {
        const waiting = overview ? stage.count(overview) : null;
        return (
          <NavLink key={stage.path} to={`/p/${project}/${stage.path}${search}`} className="stage">
            {stage.name}
            {stage.path === 'watch' && due ? (
              <span
                className="count"
                title={t('shell:StagesRow.keywordsFollowed', { keywords: counted(waiting ?? 0, 'keyword') })}
              >
                {t('shell:StagesRow.dueDue', { due: count(due) })}
              </span>
            ) : (
              waiting !== null && <span className="count">{count(waiting)}</span>
            )}
          </NavLink>
        );
      })}
      <span className="right soft">
        <button className="plain" onClick={() => dispatch(chooseTheme(theme === 'light' ? 'dark' : 'light'))}>
          {theme === 'light' ? t('shell:StagesRow.dark') : t('shell:StagesRow.light')}
        </button>
        <LanguageChoice />
        <NavLink className="plain" to={`/p/${project}/method${search}`}>
          {t('shell:StagesRow.method')}
        </NavLink>
        <button className="plain" onClick={onKeys}>
          <Told id="shell:StagesRow.keys" parts={{ kbd: <kbd /> }} />
        </button>
        <button className="plain" onClick={onCommand}>
          <Told id="shell:StagesRow.goToCtrlK" parts={{ kbd: <kbd /> }} />
        </button>
      </span>
    </nav>
  );
}

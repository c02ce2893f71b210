import { useLocation, useNavigate } from 'react-router';
import { KeywordActs } from '../parts/act/KeywordActs';
import { searchWithView, writeScope } from '../state/scope';
import { useAppDispatch, useAppSelector } from '../state/store';
import { empty } from '../state/tray';
import { useScope } from '../state/useScope';
import { t } from '../words/t';

const NOTHING: { id: number; text: string }[] = [];

/** Keywords put aside, at the bottom edge, with what can be done to them. */
export function Tray({ project }: { project: number }) {
  const kept = useAppSelector((state) => state.tray[project] ?? NOTHING);
  const dispatch = useAppDispatch();
  const { change } = useScope();
  const navigate = useNavigate();
  const { search } = useLocation();
  if (kept.length === 0) return null;
  return (
    <section className="tray no-print" aria-label={t('shell:Tray.tray')}>
      <b>{t('shell:Tray.keptInTheTray', { kept: kept.length })}</b>
      <KeywordActs keywords={kept} />
      <button
        className="plain"
        title={t('shell:Tray.aDraftThatIsToServe')}
        onClick={() =>
          void navigate(
            `/p/${project}/drafts?${writeScope(new URLSearchParams(search), { view: '', draft: null }).toString()}`,
          )
        }
      >
        {t('shell:Tray.draft')}
      </button>
      <button className="plain" onClick={() => change({ open: kept[0]!.id })}>
        {t('shell:Tray.openTheFirst')}
      </button>
      {kept.length > 1 && (
        <button
          className="plain"
          title={t('shell:Tray.theFirstTwoOfTheTray')}
          onClick={() => void navigate(`/p/${project}/gaps${searchWithView(search, 'two')}`)}
        >
          {t('shell:Tray.twoSideBySide')}
        </button>
      )}
      <button className="plain" onClick={() => dispatch(empty(project))}>
        {t('shell:Tray.empty')}
      </button>
    </section>
  );
}

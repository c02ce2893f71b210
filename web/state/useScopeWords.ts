import { useMarketsQuery, useProjectsQuery } from './projectApi';
import { NO_COMPARE } from './scope';
import { useScope } from './useScope';
import { t, wordOf } from '../words/t';

/** The scope in words, for what leaves the application: for a name, and in full. */
export function useScopeWords(): { short: string; long: string } {
  const { project, scope } = useScope();
  const { data: projects } = useProjectsQuery();
  const { data: markets } = useMarketsQuery();
  const name = projects?.find(({ id }) => id === project)?.name ?? '';
  const market = markets?.find(({ code }) => code === scope.market);
  const where = market
    ? `${wordOf(market.surface)}, ${market.placeName}, ${market.languageName}`
    : scope.market;
  const compared =
    scope.compare === '' || scope.compare === NO_COMPARE
      ? ''
      : t('shell:useScopeWords.comparedWithCompare', { compare: scope.compare });
  return {
    short: [name, scope.market, scope.date].filter(Boolean).join(' '),
    long: t('shell:useScopeWords.nameWhereDateComparedOwnFigures', {
      name,
      where,
      date: scope.date,
      compared,
      own: scope.own,
    }),
  };
}

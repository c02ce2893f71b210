import { useMarketsQuery } from '../../state/projectApi';
import { t } from '../../words/t';

/** Opens the live result page in a window of its own; it is personal and nothing of it is stored. */
export function LivePage({ market, keyword }: { market: string; keyword: string }) {
  const { data: markets } = useMarketsQuery();
  const template = markets?.find(({ code }) => code === market)?.livePage;
  if (!template) return null;
  return (
    <a
      className="written"
      href={template.replace('{keyword}', encodeURIComponent(keyword))}
      target="_blank"
      rel="noreferrer noopener"
      title={t('parts:LivePage.theLiveResultPageInA')}
    >
      {t('parts:LivePage.livePage')}
    </a>
  );
}

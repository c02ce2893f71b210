import type { Rechecked } from '@opsimath/contract/api/watch';
import { placed, spelledDay } from '../../parts/words/figures';
import { t } from '../../words/t';

/** What a fresh look says, three things apart: whether search shows the new text, where ours stands, whether it is too early. */
export function LookedAt({ seen }: { seen: Rechecked }) {
  return (
    <table className="ledger looked-at" aria-label={t('watch:LookedAt.freshLook')}>
      <thead>
        <tr>
          <th>{t('watch:LookedAt.keyword')}</th>
          <th>{t('watch:LookedAt.searchShowsTheNewTitle')}</th>
          <th className="figure">{t('watch:LookedAt.ours')}</th>
          <th>{t('watch:LookedAt.tooEarly')}</th>
        </tr>
      </thead>
      <tbody>
        {seen.keywords.map(({ id, text, own, before, shown, title, tooEarlyUntil }) => (
          <tr key={id}>
            <td>{text}</td>
            <td title={title ?? undefined}>
              {shown === null ? (
                <span className="faint">{t('watch:LookedAt.oursIsNotThereToSee')}</span>
              ) : shown ? (
                t('watch:LookedAt.yes')
              ) : (
                t('watch:LookedAt.notYet')
              )}
            </td>
            <td className="figure">
              {placed(before)}
              {' → '}
              <b>{placed(own)}</b>
            </td>
            <td>
              {tooEarlyUntil === null
                ? t('watch:LookedAt.no')
                : t('watch:LookedAt.untilTooEarlyUntil', { tooEarlyUntil: spelledDay(tooEarlyUntil) })}
            </td>
          </tr>
        ))}
      </tbody>
      <caption className="soft">
        {t('watch:LookedAt.lookedAtReplaceShownUTC', { replaceShown: seen.at.replace('T', ' ') })}
      </caption>
    </table>
  );
}

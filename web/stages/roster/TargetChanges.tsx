import type { Target } from '@opsimath/contract/api/targets';
import { asGiven, spelledDay } from '../../parts/words/figures';
import { useTargetVersionsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

/** The public record as it is, and each time it was seen changed. */
export function TargetChanges({ target }: { target: Target }) {
  const { project } = useScope();
  const { data: versions } = useTargetVersionsQuery({ project, target: target.id });
  const { record } = target;
  if (!record) return <p className="soft">{t('roster:TargetChanges.noPublicRecordHasBeenFetched')}</p>;
  const changed = (versions ?? []).filter(({ changes }) => changes.length > 0);
  return (
    <>
      <p className="soft" style={{ marginTop: 12 }}>
        {t('roster:TargetChanges.asSeenOn')} {target.recordDate && spelledDay(target.recordDate)}.
        {target.filled &&
          ` ${t('roster:TargetChanges.fullOfOfFieldsFilled', { full: target.filled.full, of: target.filled.of })}`}
        {target.filled &&
          target.filled.empty.length > 0 &&
          t('roster:TargetChanges.emptyEmpty', { empty: target.filled.empty.join(', ') })}
      </p>
      <dl className="record">
        <dt>{t('roster:TargetChanges.title')}</dt>
        <dd>{record.title}</dd>
        <dt>{t('roster:TargetChanges.description')}</dt>
        <dd>{record.description || <span className="faint">{t('roster:TargetChanges.empty')}</span>}</dd>
        {Object.entries(record.fields).map(([name, value]) => (
          <Field key={name} name={name} value={value} />
        ))}
        <dt>{t('roster:TargetChanges.figures')}</dt>
        <dd>
          {Object.entries(record.figures)
            .map(
              ([name, value]) =>
                `${name} ${value === null ? t('roster:TargetChanges.unknown') : asGiven(value)}`,
            )
            .join(', ')}
        </dd>
      </dl>
      <h2>{t('roster:TargetChanges.changesSeen')}</h2>
      {changed.length === 0 && <p className="soft">{t('roster:TargetChanges.noneSinceItWasFirstFetched')}</p>}
      {changed.map(({ date, changes }) => (
        <section key={date} className="section">
          <h3>{spelledDay(date)}</h3>
          {changes.map(({ field, before, after }) => (
            <dl key={field} className="difference">
              <dt>{field}</dt>
              <dd>
                <del>{before.slice(0, 600) || t('roster:TargetChanges.empty')}</del>
              </dd>
              <dd>
                <ins>{after.slice(0, 600) || t('roster:TargetChanges.empty')}</ins>
              </dd>
            </dl>
          ))}
        </section>
      ))}
    </>
  );
}

function Field({ name, value }: { name: string; value: string }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>
        {value === '' ? (
          <span className="faint">{t('roster:TargetChanges.empty')}</span>
        ) : (
          value.split('\n').join(' · ').slice(0, 900)
        )}
      </dd>
    </>
  );
}

import { FACT_FIELDS } from '@opsimath/contract/api/factFields';
import type { LookUp } from '@opsimath/contract/api/lookUps';
import { useTargetsQuery } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { t, wordOf } from '../../words/t';

/** What we offer, at hand while judging: the fact cards of our targets on the surface. */
export function FactCard({ surface }: { surface: LookUp['surface'] }) {
  const { project, change } = useScope();
  const { data: targets } = useTargetsQuery(project);
  const own = (targets ?? []).filter((target) => target.side === 'own' && target.surface === surface);
  const filled = own.filter(({ facts }) => FACT_FIELDS.some((name) => facts[name]));
  if (own.length === 0) return null;
  return (
    <section className="sheet fact-card" aria-label={t('sift:FactCard.whatWeOffer')}>
      <h3>{t('sift:FactCard.whatWeOffer')}</h3>
      {filled.length === 0 && (
        <p className="soft">
          {t('sift:FactCard.noFactCardIsFilledIn')}{' '}
          <button className="plain written" onClick={() => change({ target: own[0]!.id })}>
            {t('sift:FactCard.fillInThatOfName', { name: own[0]!.name })}
          </button>
        </p>
      )}
      {filled.slice(0, 2).map((target) => (
        <dl key={target.id}>
          {filled.length > 1 && <dt className="serif">{target.name}</dt>}
          {FACT_FIELDS.filter((name) => target.facts[name]).map((name) => (
            <div key={name}>
              <dt className="faint">{wordOf(name)}</dt>
              <dd>{target.facts[name]}</dd>
            </div>
          ))}
        </dl>
      ))}
    </section>
  );
}

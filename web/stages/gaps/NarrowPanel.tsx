import { type GapLimit, readLimits, writeLimits } from '@opsimath/contract/api/gapLimits';
import { GAP_FIGURE_NAMES } from '@opsimath/contract/figures/gapFigures';
import type { GapPage } from '@opsimath/contract/api/gaps';
import { HELD_NAMES } from '@opsimath/contract/api/gapChoices';
import { ACTIONS } from '@opsimath/core/gap/action';
import { DEPTH_BANDS } from '@opsimath/core/ranking/position';
import { PAGE_KINDS } from '@opsimath/core/text/pageKind';
import { PURPOSES } from '@opsimath/core/sift/purpose';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { Checkbox, InputNumber, Select } from 'antd';
import { useListsQuery } from '../../state/siftApi';
import type { Scope } from '../../state/scope';
import { FilterToggle, toggled } from '../../parts/words/FilterToggle';
import { Told } from '../../words/Told';
import { t, wordOf } from '../../words/t';

const SEVERAL = 'several of ours';

interface NarrowPanelProps {
  project: number;
  page: GapPage | undefined;
  scope: Scope;
  onChange: (change: Partial<Scope>) => void;
}

/** Everything that gaps can be narrowed by beside kinds, marks and paid states; each choice with its count. */
export function NarrowPanel({ project, page, scope, onChange }: NarrowPanelProps) {
  const { data: lists } = useListsQuery(project);
  const totals = page?.totals;
  return (
    <section className="narrow" aria-label={t('gaps:NarrowPanel.narrowBy')}>
      <span className="faint">{t('gaps:NarrowPanel.ourDepth')}</span>
      <div>
        {DEPTH_BANDS.map((band, n) => (
          <FilterToggle
            key={band}
            name={wordOf(band)}
            tip={t('gaps:NarrowPanel.ourOrganicPositionBand', { band: wordOf(band) })}
            count={totals?.bands[n]}
            on={scope.bands.includes(band)}
            onPress={() => onChange({ bands: toggled(scope.bands, band) })}
          />
        ))}
        <FilterToggle
          name={wordOf(SEVERAL)}
          tip={t('gaps:NarrowPanel.moreThanOneOfOurOwn')}
          count={totals?.marks[SEVERAL]}
          on={scope.marks.includes(SEVERAL)}
          onPress={() => onChange({ marks: toggled(scope.marks, SEVERAL) })}
        />
      </div>
      {scope.market.startsWith('web-') && (
        <>
          <span className="faint">{t('gaps:NarrowPanel.ourPageIs')}</span>
          <div>
            {PAGE_KINDS.map((kind, n) =>
              (totals?.pageKinds[n] ?? 0) > 0 || scope.pageKinds.includes(kind) ? (
                <FilterToggle
                  key={kind}
                  name={wordOf(kind)}
                  tip={t('gaps:NarrowPanel.thePageOfOursThatRanks', { kind: wordOf(kind) })}
                  count={totals?.pageKinds[n]}
                  on={scope.pageKinds.includes(kind)}
                  onPress={() => onChange({ pageKinds: toggled(scope.pageKinds, kind) })}
                />
              ) : null,
            )}
          </div>
        </>
      )}
      <span className="faint">{t('gaps:NarrowPanel.onTheFront')}</span>
      <div>
        {(page?.rivals ?? []).map((rival, n) => (
          <FilterToggle
            key={rival.id}
            name={rival.name}
            tip={t('gaps:NarrowPanel.nameStandsWithinTheFrontSeveral', { name: rival.name })}
            count={totals?.rivals[n]}
            on={scope.rivals.includes(rival.id)}
            onPress={() => onChange({ rivals: toggled(scope.rivals, rival.id) })}
          />
        ))}
      </div>
      <span className="faint">{t('gaps:NarrowPanel.theKeywordHolds')}</span>
      <div>
        {HELD_NAMES.map((name, n) => (
          <FilterToggle
            key={name}
            name={wordOf(name)}
            tip={t('gaps:NarrowPanel.aTargetsName')}
            count={totals?.names[n]}
            on={scope.names.includes(name)}
            onPress={() => onChange({ names: toggled(scope.names, name) })}
          />
        ))}
      </div>
      {scope.pool !== null && (
        <>
          <span className="faint">{t('gaps:NarrowPanel.searchedTo')}</span>
          <div>
            {PURPOSES.map((purpose, n) => (
              <FilterToggle
                key={purpose}
                name={wordOf(purpose)}
                tip={t('gaps:NarrowPanel.whatTheSearchIsFor', { purpose: wordOf(purpose) })}
                section="13"
                count={totals?.purposes?.[n]}
                on={scope.purposes.includes(purpose)}
                onPress={() => onChange({ purposes: toggled(scope.purposes, purpose) })}
              />
            ))}
          </div>
        </>
      )}
      <span className="faint">{t('gaps:NarrowPanel.toDo')}</span>
      <div>
        {ACTIONS.map((name, n) =>
          (totals?.actions[n] ?? 0) > 0 || scope.actions.includes(name) ? (
            <FilterToggle
              key={name}
              name={wordOf(name)}
              tip={t('gaps:NarrowPanel.suggestedActionName', { name: wordOf(name) })}
              count={totals?.actions[n]}
              on={scope.actions.includes(name)}
              onPress={() => onChange({ actions: toggled(scope.actions, name) })}
            />
          ) : null,
        )}
      </div>
      <span className="faint">{t('gaps:NarrowPanel.judged')}</span>
      <div>
        {VERDICTS.map((verdict, n) => (
          <FilterToggle
            key={verdict}
            name={wordOf(verdict)}
            tip={t('gaps:NarrowPanel.judgedVerdict', { verdict: wordOf(verdict) })}
            count={totals?.verdicts[n]}
            on={scope.verdicts.includes(verdict)}
            onPress={() => onChange({ verdicts: toggled(scope.verdicts, verdict) })}
          />
        ))}
        <Select
          size="small"
          variant="borderless"
          className="written"
          aria-label={t('gaps:NarrowPanel.inAList')}
          popupMatchSelectWidth={false}
          value={scope.inList ?? 0}
          options={[
            { value: 0, label: t('gaps:NarrowPanel.inAnyListOrNone') },
            ...(lists ?? [])
              .filter(({ market }) => market === scope.market)
              .map(({ id, name }) => ({ value: id, label: t('gaps:NarrowPanel.inName', { name }) })),
          ]}
          onChange={(id) => onChange({ inList: id === 0 ? null : id })}
        />
      </div>
      <span className="faint">{t('gaps:NarrowPanel.figures')}</span>
      <Limits
        limits={readLimits(scope.limits)}
        onChange={(limits) => onChange({ limits: writeLimits(limits) })}
      />
    </section>
  );
}

function Limits({ limits, onChange }: { limits: GapLimit[]; onChange: (limits: GapLimit[]) => void }) {
  const set = (figure: GapLimit['figure'], change: Partial<GapLimit>): void =>
    onChange(limits.map((limit) => (limit.figure === figure ? { ...limit, ...change } : limit)));
  const free = GAP_FIGURE_NAMES.filter((figure) => !limits.some((limit) => limit.figure === figure));
  return (
    <div className="limits">
      {limits.map(({ figure, least, most, unknown }) => (
        <span key={figure} className="limit">
          <Told
            id="gaps:NarrowPanel.figureFromTo"
            values={{ figure: wordOf(figure) }}
            parts={{
              b: <b />,
              bound: (
                <Bound
                  name={t('gaps:NarrowPanel.leastFigure', { figure: wordOf(figure) })}
                  value={least}
                  onChange={(value) => set(figure, { least: value })}
                />
              ),
            }}
          />{' '}
          <Bound
            name={t('gaps:NarrowPanel.mostFigure', { figure: wordOf(figure) })}
            value={most}
            onChange={(value) => set(figure, { most: value })}
          />
          <Checkbox checked={unknown} onChange={({ target }) => set(figure, { unknown: target.checked })}>
            {t('gaps:NarrowPanel.unknownToo')}
          </Checkbox>
          <button
            className="plain written"
            aria-label={t('gaps:NarrowPanel.noLimitOfFigure', { figure: wordOf(figure) })}
            onClick={() => onChange(limits.filter((limit) => limit.figure !== figure))}
          >
            {t('gaps:NarrowPanel.clear')}
          </button>
        </span>
      ))}
      <Select
        size="small"
        variant="borderless"
        className="written"
        aria-label={t('gaps:NarrowPanel.limitAFigure')}
        popupMatchSelectWidth={false}
        value={null}
        placeholder={t('gaps:NarrowPanel.limitAFigure2')}
        options={free.map((figure) => ({ value: figure, label: figure }))}
        onChange={(figure: GapLimit['figure']) =>
          onChange([...limits, { figure, least: null, most: null, unknown: false }])
        }
      />
    </div>
  );
}

function Bound({
  name,
  value,
  onChange,
}: {
  name: string;
  value: number | null;
  onChange: (value: number | null) => void;
}) {
  const take = (text: string): void => {
    const next = text.trim() === '' ? null : Number(text);
    if (next !== value && (next === null || Number.isFinite(next))) onChange(next);
  };
  return (
    <InputNumber<number>
      key={value}
      size="small"
      aria-label={name}
      {...(value !== null && { defaultValue: value })}
      controls={false}
      placeholder={t('gaps:NarrowPanel.any')}
      style={{ width: 68 }}
      onBlur={({ target }) => take(target.value)}
      onPressEnter={({ target }) => take((target as HTMLInputElement).value)}
    />
  );
}

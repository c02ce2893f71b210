import { type GapLimit, readLimits, writeLimits } from '@opsimath/contract/api/gapLimits';
import { GAP_FIGURE_NAMES } from '@opsimath/contract/figures/gapFigures';
import { type GapPage } from '@opsimath/contract/api/gaps';
import { action } from '@opsimath/contract/api/gapQuery';
import { DEPTH_BANDS } from '@opsimath/core/ranking/position';
import { PAGE_KINDS } from '@opsimath/core/text/pageKind';
import { VERDICTS } from '@opsimath/core/sift/sieve';
import { Checkbox, InputNumber, Select } from 'antd';
import { useListsQuery } from '../../state/siftApi';
import type { Scope } from '../../state/scope';
import { FilterToggle, toggled } from '../../parts/words/FilterToggle';

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
    <section className="narrow" aria-label="Narrow by">
      <span className="faint">Our depth</span>
      <div>
        {DEPTH_BANDS.map((band, n) => (
          <FilterToggle
            key={band}
            name={band}
            tip={`Our organic position: ${band}.`}
            count={totals?.bands[n]}
            on={scope.bands.includes(band)}
            onPress={() => onChange({ bands: toggled(scope.bands, band) })}
          />
        ))}
        <FilterToggle
          name={SEVERAL}
          tip="More than one of our own targets ranks: they may take from each other. The dossier names them; merging is among what can be done."
          count={totals?.marks[SEVERAL]}
          on={scope.marks.includes(SEVERAL)}
          onPress={() => onChange({ marks: toggled(scope.marks, SEVERAL) })}
        />
      </div>
      {scope.market.startsWith('web-') && (
        <>
          <span className="faint">Our page is</span>
          <div>
            {PAGE_KINDS.map((kind, n) =>
              (totals?.pageKinds[n] ?? 0) > 0 || scope.pageKinds.includes(kind) ? (
                <FilterToggle
                  key={kind}
                  name={kind}
                  tip={`The page of ours that ranks is of this kind, by its path or as somebody said in the dossier: ${kind}.`}
                  count={totals?.pageKinds[n]}
                  on={scope.pageKinds.includes(kind)}
                  onPress={() => onChange({ pageKinds: toggled(scope.pageKinds, kind) })}
                />
              ) : null,
            )}
          </div>
        </>
      )}
      <span className="faint">On the front</span>
      <div>
        {(page?.rivals ?? []).map((rival, n) => (
          <FilterToggle
            key={rival.id}
            name={rival.name}
            tip={`${rival.name} stands within the front. Several: at least one of them does.`}
            count={totals?.rivals[n]}
            on={scope.rivals.includes(rival.id)}
            onPress={() => onChange({ rivals: toggled(scope.rivals, rival.id) })}
          />
        ))}
      </div>
      <span className="faint">To do</span>
      <div>
        {action.options.map((name, n) =>
          (totals?.actions[n] ?? 0) > 0 || scope.actions.includes(name) ? (
            <FilterToggle
              key={name}
              name={name}
              tip={`Suggested action: ${name}.`}
              count={totals?.actions[n]}
              on={scope.actions.includes(name)}
              onPress={() => onChange({ actions: toggled(scope.actions, name) })}
            />
          ) : null,
        )}
      </div>
      <span className="faint">Judged</span>
      <div>
        {VERDICTS.map((verdict, n) => (
          <FilterToggle
            key={verdict}
            name={verdict}
            tip={`Judged ${verdict}.`}
            count={totals?.verdicts[n]}
            on={scope.verdicts.includes(verdict)}
            onPress={() => onChange({ verdicts: toggled(scope.verdicts, verdict) })}
          />
        ))}
        <Select
          size="small"
          variant="borderless"
          className="written"
          aria-label="In a list"
          popupMatchSelectWidth={false}
          value={scope.inList ?? 0}
          options={[
            { value: 0, label: 'in any list or none' },
            ...(lists ?? [])
              .filter(({ market }) => market === scope.market)
              .map(({ id, name }) => ({ value: id, label: `in “${name}”` })),
          ]}
          onChange={(id) => onChange({ inList: id === 0 ? null : id })}
        />
      </div>
      <span className="faint">Figures</span>
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
          <b>{figure}</b> from{' '}
          <Bound name={`Least ${figure}`} value={least} onChange={(value) => set(figure, { least: value })} />{' '}
          to <Bound name={`Most ${figure}`} value={most} onChange={(value) => set(figure, { most: value })} />
          <Checkbox checked={unknown} onChange={({ target }) => set(figure, { unknown: target.checked })}>
            unknown too
          </Checkbox>
          <button
            className="plain written"
            aria-label={`No limit of ${figure}`}
            onClick={() => onChange(limits.filter((limit) => limit.figure !== figure))}
          >
            clear
          </button>
        </span>
      ))}
      <Select
        size="small"
        variant="borderless"
        className="written"
        aria-label="Limit a figure"
        popupMatchSelectWidth={false}
        value={null}
        placeholder="limit a figure"
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
      placeholder="any"
      style={{ width: 68 }}
      onBlur={({ target }) => take(target.value)}
      onPressEnter={({ target }) => take((target as HTMLInputElement).value)}
    />
  );
}

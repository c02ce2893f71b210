import type { Section, SectionKind } from '@opsimath/contract/api/reports';
import { OPEN_KINDS } from '@opsimath/core/report/openKinds';
import { InputNumber, Select } from 'antd';
import { useListsQuery } from '../../state/siftApi';
import { useRoundsQuery } from '../../state/roundsApi';
import { useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';
import type { HeldDocument } from './useReportDocument';
import { t, wordOf } from '../../words/t';

const ROWS: Partial<Record<SectionKind, number>> = {
  ...{ first: 20, gaps: 30, paid: 10, movers: 10, effects: 30, months: 10 },
  ...{ holds: 15, near: 25, words: 25, blocks: 20 },
};
const MOST = 1000;
/** Sections that can be of one list alone. */
const LISTED = new Set<SectionKind>([
  'gaps',
  'standing',
  'kinds',
  'examples',
  'paid',
  'movers',
  'near',
  'blocks',
]);

/** What a section is made from: how many rows, which list, which round, which keywords, which curve. */
export function SectionSettings({ section, held }: { section: Section; held: HeldDocument }) {
  const { kind, settings } = section;
  const set = (change: Section['settings']): void =>
    held.changeSection(section.id, { settings: { ...settings, ...change } });
  const usual = ROWS[kind];
  return (
    <p className="section-settings no-print">
      {usual !== undefined && (
        <label>
          {t('report:SectionSettings.rows')}{' '}
          <InputNumber
            size="small"
            aria-label={t('report:SectionSettings.rowsOfHeading', { heading: section.heading })}
            min={1}
            max={MOST}
            value={settings.most ?? usual}
            onChange={(most) => most !== null && set({ most })}
          />
        </label>
      )}
      {LISTED.has(kind) && <ListChoice section={section} onChange={(list) => set({ list })} />}
      {kind === 'gaps' && (
        <Select
          size="small"
          mode="multiple"
          aria-label={t('report:SectionSettings.kindsOfGap')}
          style={{ minWidth: 210 }}
          value={settings.kinds ?? [...OPEN_KINDS]}
          options={[...OPEN_KINDS, 'open' as const].map((one) => ({ value: one, label: wordOf(one) }))}
          onChange={(kinds) => set({ kinds })}
        />
      )}
      {kind === 'round' && <RoundChoice section={section} onChange={(round) => set({ round })} />}
      {kind === 'course' && (
        <Select
          size="small"
          aria-label={t('report:SectionSettings.whatItDraws')}
          value={settings.draws ?? 'visibility'}
          options={[
            { value: 'visibility', label: t('report:SectionSettings.visibility') },
            { value: 'clicks', label: t('report:SectionSettings.clicksAMonth') },
            { value: 'front', label: t('report:SectionSettings.keywordsOnTheFront') },
          ]}
          onChange={(draws) => set({ draws })}
        />
      )}
      {(kind === 'examples' || kind === 'gaps') && (
        <ChosenKeywords section={section} onChange={(keywords) => set({ keywords })} />
      )}
    </p>
  );
}

function ListChoice({ section, onChange }: { section: Section; onChange: (list: number | null) => void }) {
  const { project, scope } = useScope();
  const { data: lists } = useListsQuery(project);
  const here = (lists ?? []).filter(({ market }) => market === scope.market);
  if (here.length === 0) return null;
  return (
    <Select
      size="small"
      aria-label={t('report:SectionSettings.keywordsOfWhichList')}
      style={{ minWidth: 150 }}
      value={section.settings.list ?? 0}
      options={[
        { value: 0, label: t('report:SectionSettings.allKeywords') },
        ...here.map(({ id, name }) => ({ value: id, label: name })),
      ]}
      onChange={(list) => onChange(list === 0 ? null : list)}
    />
  );
}

function RoundChoice({ section, onChange }: { section: Section; onChange: (round: number) => void }) {
  const { project, comparison } = useScope();
  const { market, date, compare } = comparison;
  const { data } = useRoundsQuery({ project, scope: { market, date, ...(compare && { compare }) } });
  const rounds = data?.rounds ?? [];
  if (rounds.length === 0) return null;
  return (
    <Select
      size="small"
      aria-label={t('report:SectionSettings.whichRound')}
      style={{ minWidth: 150 }}
      {...(typeof section.settings.round !== 'number'
        ? { placeholder: t('report:SectionSettings.theNewest') }
        : { value: section.settings.round })}
      options={rounds.map(({ id, name }) => ({ value: id, label: name }))}
      onChange={(round: number) => onChange(round)}
    />
  );
}

/** Keywords picked in any stage come along in the tray. */
function ChosenKeywords({ section, onChange }: { section: Section; onChange: (keywords: number[]) => void }) {
  const { project } = useScope();
  const tray = useAppSelector((state) => state.tray[project]);
  const picked = (tray ?? []).map(({ id }) => id);
  const chosen = section.settings.keywords ?? [];
  return (
    <>
      {chosen.length > 0 && (
        <>
          <span className="soft">
            {t('report:SectionSettings.chosenChosenByHand', { chosen: chosen.length })}
          </span>
          <button className="plain written" onClick={() => onChange([])}>
            {section.kind === 'examples'
              ? t('report:SectionSettings.chooseByThemselves')
              : t('report:SectionSettings.allAgain')}
          </button>
        </>
      )}
      {picked.length > 0 && (
        <button className="plain written" onClick={() => onChange(picked.slice(0, 50))}>
          {t('report:SectionSettings.takeThePickedOfTheTray', { picked: picked.length })}
        </button>
      )}
      {picked.length === 0 && chosen.length === 0 && section.kind === 'examples' && (
        <span className="soft">{t('report:SectionSettings.tickKeywordsInGapsToShow')}</span>
      )}
    </>
  );
}

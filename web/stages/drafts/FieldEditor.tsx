import type { Draft } from '@opsimath/contract/api/drafts';
import { type DraftField, type Limit, PRESETS, slotsOf } from '@opsimath/core/copy/draftFields';
import type { HeldField } from '@opsimath/core/copy/heldFields';
import { UNITS, type Unit, cutAt, measure } from '@opsimath/core/copy/measure';
import { Dropdown, InputNumber, Popover, Select } from 'antd';
import { memo } from 'react';
import { count } from '../../parts/words/figures';
import { type Mark, bannedIn, markedParts } from './markedParts';
import { PaperText } from './PaperText';
import { PIXEL_FONT_WORDS, pixelWidth } from './pixelWidth';
import { t, wordOf } from '../../words/t';

/** Longer texts are not marked letter by letter; what must not stand in them is said below. */
const MOST_MARKED = 6000;

interface FieldEditorProps {
  field: DraftField;
  text: string;
  /** The field as it was looked through last, a little behind the typing. */
  held: HeldField | undefined;
  banned: Draft['banned'];
  /** Phrases that keywords need, as keys, the lead’s first. */
  phrases: readonly string[];
  onWrite: (name: string, text: string) => void;
  onLimit: (name: string, limit: Limit) => void;
  onFocus: (name: string, area: HTMLTextAreaElement) => void;
}

/** One field of the manuscript: its text with marks, and under it a rule that ends where the limit is. */
export const FieldEditor = memo(function FieldEditor(props: FieldEditorProps) {
  const { field, text, onWrite } = props;
  if (field.slots === 1 || field.isShared)
    return <OneSlot {...props} label={field.name} onText={(next) => onWrite(field.name, next)} />;
  const slots = slotsOf(text);
  const shown = Math.min(field.slots, Math.max(1, slots.length + (slots.at(-1) === '' ? 0 : 1)));
  return (
    <>
      {Array.from({ length: shown }, (_, n) => (
        <OneSlot
          key={n}
          {...props}
          label={`${field.name.replace(/s$/, '')} ${n + 1}`}
          text={slots[n] ?? ''}
          isLine
          onText={(next) => {
            const lines = [...slots];
            while (lines.length <= n) lines.push('');
            lines[n] = next.replace(/\n/g, ' ');
            while (lines.length > 0 && lines.at(-1) === '') lines.pop();
            onWrite(field.name, lines.join('\n'));
          }}
        />
      ))}
    </>
  );
});

interface OneSlotProps extends FieldEditorProps {
  label: string;
  isLine?: boolean;
  onText: (text: string) => void;
}

function OneSlot(props: OneSlotProps) {
  const { field, label, text, held, banned, phrases, isLine, onText, onLimit, onFocus } = props;
  const { limit } = field;
  const used = measure(text, limit.unit, pixelWidth);
  const cut = used > limit.most ? cutAt(text, limit.most, limit.unit, pixelWidth) : text.length;
  const parts = text.length > MOST_MARKED ? null : markedParts(text, cut, phrases, banned);
  const isTitle = field.name === 'title';
  return (
    <div className={`draft-field${isTitle ? ' draft-title' : ''}`}>
      <label className="soft">{label}</label>
      <div>
        <div className="draft-paper">
          {parts !== null && (
            <div className="draft-marks" aria-hidden>
              {parts.map(({ text: part, mark, why }, n) => (
                <span
                  key={n}
                  className={mark === null ? undefined : `mark-${mark.replace(' ', '-')}`}
                  title={why}
                >
                  {part}
                </span>
              ))}
              ​
            </div>
          )}
          <PaperText
            aria-label={label}
            className={parts === null ? 'long' : undefined}
            rows={1}
            text={text}
            onText={onText}
            onFocus={({ currentTarget }) => onFocus(field.name, currentTarget)}
            onKeyDown={(event) => isLine && event.key === 'Enter' && event.preventDefault()}
          />
        </div>
        <div className="draft-rule" aria-hidden>
          <i
            className={used > limit.most ? 'over' : undefined}
            style={{ width: `${Math.min(100, (100 * used) / limit.most)}%` }}
          />
        </div>
        <p className="soft draft-room">
          {roomWords(used, limit)}
          {cut < text.length && (
            <b className="draft-over">
              {' '}
              {t('drafts:FieldEditor.theEndIsCutAtText', { text: text.slice(Math.max(0, cut - 12), cut) })}
            </b>
          )}{' '}
          <LimitChoice field={field} onLimit={onLimit} />
          {(parts === null ? (held ? bannedIn(held, banned) : []) : warnings(parts)).map((why) => (
            <span key={why} className="draft-banned">
              {' '}
              {'· '}
              {why}
            </span>
          ))}
        </p>
      </div>
    </div>
  );
}

const rounded = (value: number): string => count(Math.ceil(value));

function roomWords(used: number, { most, unit }: Limit): string {
  const left = most - used;
  const font = unit === 'pixels' ? ` (${PIXEL_FONT_WORDS})` : '';
  return left >= 0
    ? t('drafts:FieldEditor.roundedUnitRoomForFloorFont', {
        rounded: rounded(used),
        unit: wordOf(unit),
        floor: count(Math.floor(left)),
        font,
      })
    : t('drafts:FieldEditor.roundedUnitRounded2OverFont', {
        rounded: rounded(used),
        unit: wordOf(unit),
        rounded2: rounded(-left),
        font,
      });
}

function warnings(parts: readonly Mark[]): string[] {
  return [
    ...new Set(
      parts.flatMap(({ mark, text, why }) => (mark === 'banned' ? [`“${text}”: ${why ?? ''}`] : [])),
    ),
  ];
}

/** The limit is the surface’s own, one of the usual others, or any. */
function LimitChoice({ field, onLimit }: { field: DraftField; onLimit: FieldEditorProps['onLimit'] }) {
  const { limit, name } = field;
  return (
    <>
      <Dropdown
        trigger={['click']}
        menu={{
          items: (PRESETS[name] ?? []).map((preset) => ({
            key: `${preset.most} ${preset.unit}`,
            label: `${count(preset.most)} ${wordOf(preset.unit)}`,
            onClick: () => onLimit(name, preset),
          })),
        }}
      >
        <button className="plain written" title={t('drafts:FieldEditor.limitOfThisField')}>
          {t('drafts:FieldEditor.ofMost', { most: count(limit.most) })}
        </button>
      </Dropdown>{' '}
      <Popover
        trigger="click"
        content={
          <span className="limit-own">
            <InputNumber
              size="small"
              aria-label={t('drafts:FieldEditor.limitOfName', { name })}
              min={1}
              max={1_000_000}
              value={limit.most}
              onChange={(most) => most !== null && onLimit(name, { ...limit, most })}
            />{' '}
            <Select
              size="small"
              aria-label={t('drafts:FieldEditor.unitOfName', { name })}
              style={{ width: 110 }}
              value={limit.unit}
              options={UNITS.map((unit) => ({ value: unit, label: unit }))}
              onChange={(unit: Unit) => onLimit(name, { ...limit, unit })}
            />
          </span>
        }
      >
        <button className="plain written soft">{t('drafts:FieldEditor.other')}</button>
      </Popover>
    </>
  );
}

import type { Draft, SecondCopy as Second, SecondKeywords } from '@opsimath/contract/api/drafts';
import { draftCoverage, draftKeyword } from '@opsimath/core/copy/draftCoverage';
import { type DraftField, slotsOf } from '@opsimath/core/copy/draftFields';
import { measure } from '@opsimath/core/copy/measure';
import { LANGUAGES } from '@opsimath/core/text/languages';
import { Button, Input } from 'antd';
import { useDeferredValue, useMemo } from 'react';
import { count, counted } from '../../parts/words/figures';
import { LANGUAGE_NAMES } from '../../parts/words/languages';
import { useTrouble } from '../../parts/words/useTrouble';
import { useMessages } from '../../state/messages';
import type { Changed } from '../../state/draftKeeper';
import { useSecondCopyMutation, useSecondKeywordsQuery } from '../../state/draftsApi';
import { useScope } from '../../state/useScope';
import { heldOnce } from './heldOnce';
import { pixelWidth } from './pixelWidth';
import { t, wordOf } from '../../words/t';

interface SecondCopyProps {
  draft: Draft;
  fields: readonly DraftField[];
  onChange: (change: Changed) => void;
}

/** The same copy for people of another language: own limits, counted anew, unchecked until somebody ticks it. */
export function SecondCopy({ draft, fields, onChange }: SecondCopyProps) {
  const { second } = draft;
  if (second === null) return <BeginSecond draft={draft} onChange={onChange} />;
  const set = (next: Partial<Second>): void => onChange({ second: { ...second, ...next } });
  const checked = new Set(second.checked);
  return (
    <section aria-label={t('drafts:SecondCopy.inLanguage', { language: LANGUAGE_NAMES[second.language] })}>
      <Covered draft={draft} second={second} />
      {fields.map(({ name, limit, slots, isShared }) => {
        const text = second.fields[name] ?? '';
        const parts = slots === 1 || isShared ? [text] : slotsOf(text);
        const used = Math.max(0, ...parts.map((part) => measure(part, limit.unit, pixelWidth)));
        return (
          <div key={name} className="second-field">
            <label className="soft" htmlFor={`second-${name}`}>
              {name}
            </label>
            <Input.TextArea
              id={`second-${name}`}
              autoSize={{ minRows: 1, maxRows: 6 }}
              value={text}
              onChange={({ target }) =>
                set({
                  fields: { ...second.fields, [name]: target.value },
                  checked: second.checked.filter((one) => one !== name),
                })
              }
            />
            <p className="soft">
              {t('drafts:SecondCopy.ceilOfMostUnit', {
                ceil: count(Math.ceil(used)),
                most: count(limit.most),
                unit: wordOf(limit.unit),
              })}
              {used > limit.most && (
                <b className="draft-over">
                  {' '}
                  {t('drafts:SecondCopy.ceilOver', { ceil: count(Math.ceil(used - limit.most)) })}
                </b>
              )}{' '}
              <label>
                <input
                  type="checkbox"
                  checked={checked.has(name)}
                  disabled={text.trim() === ''}
                  onChange={() =>
                    set({
                      checked: checked.has(name)
                        ? second.checked.filter((one) => one !== name)
                        : [...second.checked, name],
                    })
                  }
                />{' '}
                {t('drafts:SecondCopy.checkedBySomebodyWhoSpeaksIt')}
              </label>
            </p>
          </div>
        );
      })}
      <Button size="small" onClick={() => onChange({ second: null })}>
        {t('drafts:SecondCopy.removeThisCopy')}
      </Button>
    </section>
  );
}

const NOTHING: SecondKeywords = [];

/** How much of what people of that language search for it holds. */
function Covered({ draft, second }: { draft: Draft; second: Second }) {
  const fields = useDeferredValue(second.fields);
  const { language } = second;
  const { project } = useScope();
  const { data: said = NOTHING } = useSecondKeywordsQuery({ project, id: draft.id, language });
  const coverage = useMemo(
    () =>
      draftCoverage(
        Object.entries(fields).map(([name, text]) => heldOnce(name, text, language)),
        said.map(({ key }) => draftKeyword(key, 0, language)),
        language,
      ),
    [fields, said, language],
  );
  const held = coverage.keywords.filter(({ missing }) => missing.length === 0).length;
  const unknown = draft.keywords.length - said.length;
  return (
    <p className="soft">
      {t('drafts:SecondCopy.languageAllWordsOfHeldOf', {
        language: LANGUAGE_NAMES[language],
        held,
        said: said.length,
      })}
      {coverage.missing.length > 0 &&
        ` ${t('drafts:SecondCopy.stillLackingMissing', {
          missing: coverage.missing
            .slice(0, 12)
            .map(({ word }) => word)
            .join(', '),
        })}`}
      {unknown > 0 && ` ${t('drafts:SecondCopy.forUnknownNobodyKnowsATranslation', { unknown })}`}
    </p>
  );
}

function BeginSecond({ draft, onChange }: Pick<SecondCopyProps, 'draft' | 'onChange'>) {
  const { project } = useScope();
  const [begin, { isLoading }] = useSecondCopyMutation();
  const message = useMessages();
  const trouble = useTrouble();
  const others = LANGUAGES.filter((language) => language !== draft.language);
  const start = async (language: (typeof LANGUAGES)[number]): Promise<void> => {
    try {
      const { fields, units } = await begin({ project, id: draft.id, language }).unwrap();
      onChange({ second: { language, fields, checked: [] } });
      void message.info(
        t('drafts:SecondCopy.translatingItsKeywordsCostWhich', {
          which: units === 1 ? t('drafts:SecondCopy.n1Unit') : `${counted(units, 'unit')}`,
        }),
      );
    } catch (error) {
      trouble(error);
    }
  };
  return (
    <>
      <p className="soft">{t('drafts:SecondCopy.theSameCopyForPeopleOf')}</p>
      {others.map((language) => (
        <Button
          key={language}
          size="small"
          loading={isLoading}
          disabled={draft.keywords.length === 0}
          style={{ marginRight: 6 }}
          onClick={() => void start(language)}
        >
          {t('drafts:SecondCopy.inLanguage', { language: LANGUAGE_NAMES[language] })}
        </Button>
      ))}
    </>
  );
}

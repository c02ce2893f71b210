import type { Passage, ReportContent } from '@opsimath/contract/api/reportContent';
import type { Section } from '@opsimath/contract/api/reports';
import { type TextPassage, withPresentFigures } from '@opsimath/core/report/passages';
import { lazy, Suspense } from 'react';
import { WrittenText } from './WrittenText';
import { t } from '../../words/t';

const TextEditor = lazy(() => import('./TextEditor'));

interface SectionTextProps {
  section: Section;
  written: TextPassage[];
  content: ReportContent;
  onChange: (text: Passage[] | null) => void;
}

/** Words of a section: written from the figures until somebody words them; then theirs, with the figures still alive in them. */
export function SectionText({ section, written, content, onChange }: SectionTextProps) {
  const { text, kind } = section;
  if (text === null)
    return (
      <>
        {written.length > 0 && <WrittenText passages={written} content={content} />}
        <p className="word-it no-print">
          <button
            className="plain written"
            onClick={() => onChange(written.length > 0 ? written : [{ kind: 'paragraph', runs: [] }])}
          >
            {written.length > 0 ? t('report:SectionText.wordItYourself') : t('report:SectionText.addWords')}
          </button>
          {written.length > 0 && (
            <span className="soft"> {t('report:SectionText.writtenFromTheFigures')}</span>
          )}
        </p>
      </>
    );
  return (
    <>
      <Suspense fallback={<WrittenText passages={text as TextPassage[]} content={content} />}>
        <TextEditor
          label={t('report:SectionText.wordsOfHeading', { heading: section.heading || kind })}
          passages={withPresentFigures(text as TextPassage[], content.figures)}
          onChange={onChange}
        />
      </Suspense>
      <p className="word-it no-print">
        <button className="plain written" onClick={() => onChange(null)}>
          {kind === 'summary'
            ? t('report:SectionText.asWrittenFromTheFigures')
            : t('report:SectionText.withoutWords')}
        </button>
        <span className="soft"> {t('report:SectionText.figuresInItFollowTheData')}</span>
      </p>
    </>
  );
}

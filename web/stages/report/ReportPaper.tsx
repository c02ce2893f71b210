import type { ContentSection, ReportContent } from '@opsimath/contract/api/reportContent';
import type { Section } from '@opsimath/contract/api/reports';
import type { TextPassage } from '@opsimath/core/report/passages';
import { areTitled } from '@opsimath/core/report/titled';
import { spelledDay } from '../../parts/words/figures';
import { ReportChartBlock } from './ReportChartBlock';
import { ReportExample } from './ReportExample';
import { ReportTableBlock } from './ReportTableBlock';
import { SectionSettings } from './SectionSettings';
import { SectionText } from './SectionText';
import { WrittenText } from './WrittenText';
import { rowName } from './showRow';
import type { HeldDocument } from './useReportDocument';
import './paper.css';
import { t } from '../../words/t';

/** The document itself. With `held` its words can be changed where they stand; without it is only read. */
export function ReportPaper({ content, held }: { content: ReportContent; held?: HeldDocument }) {
  const { accent, logo } = held?.document ?? content;
  const title = held && held.document.title !== '' ? held.document.title : content.title;
  const foot = footOf(content);
  return (
    <article
      className="paper"
      style={accent === null ? undefined : ({ '--own': accent } as React.CSSProperties)}
    >
      <style>{footRule(foot)}</style>
      <header>
        {logo !== null && <img className="report-logo" src={logo} alt="" />}
        <h1>{title}</h1>
        <p className="soft">{t('report:ReportPaper.footOverScope', { foot, scope: content.scope })}</p>
        <p className="legend soft">
          <span className="own-disc" /> {content.own}{' '}
          {content.rivals.map(({ letter, name }, n) => (
            <span key={name}>
              <span className={`letter hue-${n % 4}`}>{letter}</span> {name}{' '}
            </span>
          ))}
          {t('report:ReportPaper.ringBeforeDiamondPaid')}
        </p>
      </header>
      {sectionsOf(content, held).map(({ told, section }) => (
        <section key={told.id} id={rowName(told.id)} aria-label={told.heading}>
          {section && held ? (
            <input
              className="heading"
              aria-label={t('report:ReportPaper.heading')}
              value={section.heading}
              maxLength={200}
              onChange={(event) => held.changeSection(section.id, { heading: event.target.value })}
            />
          ) : (
            <h2>{told.heading}</h2>
          )}
          {section && held && <SectionSettings section={section} held={held} />}
          <Blocks told={told} section={section} content={content} held={held} />
        </section>
      ))}
    </article>
  );
}

/** Sections in the order of the document where it is worked on: what was moved is seen moved at once. */
function sectionsOf(content: ReportContent, held: HeldDocument | undefined) {
  if (!held) return content.sections.map((told) => ({ told, section: undefined }));
  const told = new Map(content.sections.map((section) => [section.id, section]));
  const own = new Set(held.document.sections.map(({ id }) => id));
  return [
    ...held.document.sections.map((section) => ({
      section,
      told: told.get(section.id) ?? ({ ...section, blocks: [] } as ContentSection),
    })),
    // What is added at the end by itself: how sums were made.
    ...content.sections
      .filter(({ id, kind }) => !own.has(id) && id === kind)
      .map((one) => ({ told: one, section: undefined })),
  ];
}

function Blocks({
  told,
  section,
  content,
  held,
}: {
  told: ContentSection;
  section: Section | undefined;
  content: ReportContent;
  held: HeldDocument | undefined;
}) {
  const text = told.blocks.find((block) => block.kind === 'text');
  return (
    <>
      {section && held && section.kind !== 'quality' && (
        <SectionText
          section={section}
          written={(text?.passages ?? []) as TextPassage[]}
          content={content}
          onChange={(passages) => held.changeSection(section.id, { text: passages })}
        />
      )}
      {told.blocks.map((block, n) => {
        switch (block.kind) {
          case 'text':
            return section && held && block === text && section.kind !== 'quality' ? null : (
              <WrittenText key={n} passages={block.passages as TextPassage[]} content={content} />
            );
          case 'table':
            return (
              <ReportTableBlock
                key={block.id}
                table={block}
                titled={areTitled(told.blocks)}
                content={content}
              />
            );
          case 'chart':
            return <ReportChartBlock key={block.id} chart={block} />;
          case 'example':
            return <ReportExample key={block.id} example={block} content={content} />;
        }
      })}
    </>
  );
}

function footOf({ project, market, date, compare }: ReportContent): string {
  return `${project} · ${market} · ${spelledDay(date)}${compare ? ` ${t('report:ReportPaper.againstCompare', { compare: spelledDay(compare) })}` : ''}`;
}

/** Scope and date in the foot of every printed page. */
function footRule(foot: string): string {
  const text = foot.replace(/[\\"<>\n]/g, ' ');
  return `@page { @bottom-left { content: "Opsimath · ${text}"; font: 9pt 'Source Sans 3 Variable', sans-serif; color: #565f64; } }`;
}

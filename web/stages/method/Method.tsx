import { useMemo } from 'react';
import { Marked } from 'marked';
import { Link, useLocation, useNavigate, useParams } from 'react-router';
import text from '../../../docs/method.md?raw';
import { GlossaryPage } from './GlossaryPage';
import { methodPages, withSectionLinks } from './methodPages';
import './method.css';
import { t } from '../../words/t';

const PAGES = methodPages(text);
const WORDS = 'words';
const marked = new Marked({ gfm: true });

/** How every figure comes about, a page a section, and what every word means. The text is that of the project’s own docs. */
export default function Method() {
  const { project, page = '' } = useParams();
  const { search } = useLocation();
  const navigate = useNavigate();
  const addressOf = (section: string): string => `/p/${project}/method/${section}${search}`;
  const place = PAGES.findIndex(({ section }) => section === page);
  const shown = PAGES[Math.max(0, place)]!;
  const html = useMemo(
    () =>
      withSectionLinks(
        marked.parse(shown.text, { async: false }),
        (section) => `/p/${project}/method/${section}`,
      ),
    [shown, project],
  );
  // Links of the text are the application's own: they go where they lead without a new start, and keep the scope.
  const follow = (event: React.MouseEvent): void => {
    const link = (event.target as HTMLElement).closest('a');
    if (!link || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    void navigate(`${link.getAttribute('href')!}${search}`);
  };
  const next = PAGES[place + 1];
  return (
    <div className="method">
      <nav className="method-pages" aria-label={t('method:Method.pages')}>
        <Link to={addressOf(WORDS)} aria-current={page === WORDS ? 'page' : undefined}>
          {t('method:Method.words')}
        </Link>
        {PAGES.map(({ section, title }) => (
          <Link key={section} to={addressOf(section)} aria-current={page === section ? 'page' : undefined}>
            <span className="faint">{section === '' ? '' : `§${section}`}</span> {title}
          </Link>
        ))}
      </nav>
      {page === WORDS ? (
        <GlossaryPage addressOf={addressOf} />
      ) : (
        <article className="method-text" lang="en">
          <h1>
            {shown.section !== '' && <span className="faint">§{shown.section} </span>}
            {shown.title}
          </h1>
          <div onClick={follow} dangerouslySetInnerHTML={{ __html: html }} />
          {next && (
            <p className="soft">
              {t('method:Method.next')} <Link to={addressOf(next.section)}>{next.title}</Link>
            </p>
          )}
        </article>
      )}
    </div>
  );
}

import { Tooltip } from 'antd';
import type { ReactElement } from 'react';
import { Link, useLocation, useParams } from 'react-router';
import { t } from '../../words/t';
import './tip.css';

interface TipProps {
  /** What it says; where it names a section of the method, that section opens. */
  text: string | undefined;
  /** Section of the method that defines what it speaks of. */
  section?: string | undefined;
  children: ReactElement;
}

const DELAY_S = 0.25;

/** Explains what it stands on, on the spot, by mouse and by focus; leads to the method and to what words mean. */
export function Tip({ text, section, children }: TipProps) {
  if (text === undefined || text === '') return children;
  return (
    <Tooltip
      title={<TipText text={text} section={section} />}
      mouseEnterDelay={DELAY_S}
      placement="bottom"
      arrow={false}
      classNames={{ root: 'tip' }}
      trigger={['hover', 'focus']}
      destroyOnHidden
    >
      {children}
    </Tooltip>
  );
}

function TipText({ text, section }: { text: string; section: string | undefined }) {
  const { project } = useParams();
  const { search } = useLocation();
  const to = (page: string): string => `/p/${project}/method/${page}${search}`;
  return (
    // A press keeps the focus where it is: losing it would close the tip before the press has come.
    <span onMouseDown={(event) => event.preventDefault()}>
      {text.split(/(§\d+a?)/).map((piece, n) =>
        n % 2 === 1 ? (
          <Link key={n} to={to(piece.slice(1))}>
            {piece}
          </Link>
        ) : (
          piece
        ),
      )}
      {project !== undefined && (
        <span className="tip-links">
          {section !== undefined && (
            <Link to={to(section.replace('§', ''))}>
              {t('parts:Tip.methodSection', { section: section.replace('§', '') })}
            </Link>
          )}
          <Link to={to('words')}>{t('parts:Tip.whatWordsMean')}</Link>
        </span>
      )}
    </span>
  );
}

import { useDraggable, useDroppable } from '@dnd-kit/core';
import { worth } from '../../parts/words/figures';
import { t } from '../../words/t';

/** What a card stands for while it is carried. */
export type Carried =
  { of: 'queue'; keyword: number; text: string; action: string } | { of: 'task'; id: number; text: string };

interface WorkCardProps {
  id: string;
  carried: Carried;
  lead: string;
  lane: React.ReactNode;
  action: string;
  where: string;
  value: number;
  currency: string;
  /** Below: effort, person, days on the left; how far it is on the right. */
  facts: React.ReactNode;
  step?: React.ReactNode;
  warnings?: readonly string[];
  isOpen: boolean;
  onOpen: () => void;
  onKeyDown: (event: React.KeyboardEvent) => void;
}

/** One piece of work, to be carried by the mouse or moved by keys. */
export function WorkCard(props: WorkCardProps) {
  const { id, carried, lead, lane, action, where, value, currency, facts, step, warnings, isOpen } = props;
  const { setNodeRef, listeners, isDragging } = useDraggable({ id, data: carried });
  const { setNodeRef: setDrop, isOver } = useDroppable({ id: `on ${id}`, data: { before: carried } });
  return (
    <article
      ref={(node) => {
        setNodeRef(node);
        setDrop(node);
      }}
      {...listeners}
      className={`work-card${isOpen ? ' opened' : ''}${isDragging ? ' carried' : ''}${isOver ? ' drop-here' : ''}`}
      tabIndex={0}
      data-card={id}
      aria-label={t('rounds:WorkCard.leadActionWhichAddsWorthCurrency', {
        lead,
        action,
        which: where === '' ? '' : ` ${where}`,
        worth: worth(value),
        currency,
      })}
      onClick={props.onOpen}
      onKeyDown={props.onKeyDown}
    >
      <h3>{lead}</h3>
      {lane}
      <p className="work-card-what">
        <span className="no-break">{action}</span> <span className="soft work-card-where">{where}</span>
        <b className="figure">{worth(value)}</b>
      </p>
      <p className="soft work-card-facts">
        <span>{facts}</span>
        {step !== undefined && <span className="work-step">{step}</span>}
      </p>
      {warnings?.map((warning) => (
        <p key={warning} className="work-warning">
          {warning}
        </p>
      ))}
    </article>
  );
}

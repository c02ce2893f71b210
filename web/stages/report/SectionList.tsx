import { type Section, SECTION_KINDS, type SectionKind } from '@opsimath/contract/api/reports';
import {
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  arrayMove,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { Select } from 'antd';
import { SECTION_WORDS } from './sectionWords';
import { showRow } from './showRow';
import type { HeldDocument } from './useReportDocument';
import { t } from '../../words/t';

/** The sections in their order: carried by mouse, moved by keys, added, taken away. */
export function SectionList({ held }: { held: HeldDocument }) {
  const { sections } = held.document;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const move = (from: number, to: number): void => {
    if (to < 0 || to >= sections.length || from === to) return;
    held.change((document) => ({ ...document, sections: arrayMove(document.sections, from, to) }));
  };
  const placed = ({ active, over }: DragEndEvent): void => {
    if (over === null) return;
    const at = (id: unknown): number => sections.findIndex((section) => section.id === id);
    move(at(active.id), at(over.id));
  };
  const add = (kind: SectionKind): void =>
    held.change((document) => ({
      ...document,
      sections: [
        ...document.sections,
        {
          id: freeId(document.sections, kind),
          kind,
          heading: SECTION_WORDS[kind].name,
          settings: {},
          text: null,
        },
      ],
    }));
  return (
    <aside className="report-sections no-print" aria-label={t('report:SectionList.sections')}>
      <h2>{t('report:SectionList.sections')}</h2>
      <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={placed}>
        <SortableContext items={sections.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
          <ol>
            {sections.map((section, n) => (
              <SectionItem
                key={section.id}
                section={section}
                onMove={(by) => move(n, n + by)}
                onRemove={() =>
                  held.change((document) => ({
                    ...document,
                    sections: document.sections.filter(({ id }) => id !== section.id),
                  }))
                }
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <Select<SectionKind>
        className="add-section"
        aria-label={t('report:SectionList.addASection')}
        placeholder={t('report:SectionList.addASection')}
        value={null}
        popupMatchSelectWidth={380}
        listHeight={420}
        onChange={(kind) => add(kind)}
        options={SECTION_KINDS.map((kind) => ({
          value: kind,
          label: SECTION_WORDS[kind].name,
          what: SECTION_WORDS[kind].what,
        }))}
        optionRender={({ label, data }) => (
          <>
            {label} <span className="soft">{data.what}</span>
          </>
        )}
      />
      <p className="soft">{t('report:SectionList.carryASectionByItsDots')}</p>
    </aside>
  );
}

function SectionItem({
  section,
  onMove,
  onRemove,
}: {
  section: Section;
  onMove: (by: 1 | -1) => void;
  onRemove: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: section.id,
  });
  const name = section.heading === '' ? SECTION_WORDS[section.kind].name : section.heading;
  return (
    <li
      ref={setNodeRef}
      className={isDragging ? 'carried' : undefined}
      style={{ transform: CSS.Transform.toString(transform), transition }}
    >
      <button
        className="plain grip"
        {...attributes}
        {...listeners}
        aria-label={t('report:SectionList.carryName', { name })}
      >
        ⋮⋮
      </button>
      <button
        className="plain name"
        aria-keyshortcuts="Alt+ArrowUp Alt+ArrowDown"
        onClick={() => showRow(section.id)}
        onKeyDown={(event) => {
          const by = event.altKey ? ({ ArrowUp: -1, ArrowDown: 1 } as const)[event.key] : undefined;
          if (by === undefined) return;
          event.preventDefault();
          onMove(by);
        }}
      >
        {name}
      </button>
      <button
        className="plain remove"
        aria-label={t('report:SectionList.removeName', { name })}
        onClick={onRemove}
      >
        ×
      </button>
    </li>
  );
}

/** An id that no section has yet. */
function freeId(sections: readonly Section[], kind: SectionKind): string {
  const taken = new Set(sections.map(({ id }) => id));
  for (let n = sections.length + 1; ; n++) if (!taken.has(`${kind}-${n}`)) return `${kind}-${n}`;
}

import type { ReportDocument, SavedReport, Section } from '@opsimath/contract/api/reports';
import { useCallback, useEffect, useRef, useState } from 'react';
import { problemOf } from '../../state/api';
import { useChangeReportMutation } from '../../state/reportsApi';

const WAIT_MS = 400;
/** Changes that can be taken back. */
const MOST_BACK = 50;

interface Turn {
  document: ReportDocument;
  past: readonly ReportDocument[];
}

export interface HeldDocument {
  document: ReportDocument;
  change: (next: (document: ReportDocument) => ReportDocument) => void;
  changeSection: (id: string, change: Partial<Section>) => void;
  undo: () => void;
  canUndo: boolean;
  /** `kept` once the server has it; what was typed stands in the window until then. */
  state: 'kept' | 'being kept' | 'not kept';
  trouble: string | null;
}

/**
 * A report as it is worked on: changed at once here, kept shortly after. One that somebody else has changed meanwhile is not
 * overwritten: it is said, and what stands in this window stays to be looked at.
 */
export function useReportDocument(project: number, saved: SavedReport): HeldDocument {
  const [{ document, past }, setTurn] = useState<Turn>({ document: saved.document, past: [] });
  const stands = useRef<Turn>({ document, past });
  const [trouble, setTrouble] = useState<string | null>(null);
  const [state, setState] = useState<HeldDocument['state']>('kept');
  const [send] = useChangeReportMutation();
  const held = useRef({ revision: saved.revision, sending: false, wanted: null as ReportDocument | null });
  const timer = useRef<number | undefined>(undefined);

  const keep = useCallback(async (): Promise<void> => {
    window.clearTimeout(timer.current);
    const now = held.current;
    if (now.sending) return;
    // What was changed while the last was sent goes right after it.
    while (now.wanted !== null) {
      const wanted = now.wanted;
      now.sending = true;
      now.wanted = null;
      setState('being kept');
      try {
        const answer = await send({
          ...{ project, id: saved.id },
          ...{ document: wanted, revision: now.revision },
        }).unwrap();
        now.revision = answer.revision;
        setTrouble(null);
        setState('kept');
      } catch (error) {
        const { message, todo } = problemOf(error);
        setTrouble([message, todo].filter(Boolean).join(' '));
        setState('not kept');
        now.wanted ??= wanted;
        break;
      } finally {
        now.sending = false;
      }
    }
  }, [project, saved.id, send]);

  const put = useCallback(
    (next: ReportDocument): void => {
      held.current.wanted = next;
      setState('being kept');
      window.clearTimeout(timer.current);
      timer.current = window.setTimeout(() => void keep(), WAIT_MS);
    },
    [keep],
  );
  // What stands now is known to whoever changes it before it is drawn: two changes of one moment rest on each other.
  const turn = useCallback((next: Turn): void => {
    stands.current = next;
    setTurn(next);
  }, []);
  const change: HeldDocument['change'] = useCallback(
    (next) => {
      const { document, past } = stands.current;
      const changed = next(document);
      turn({ document: changed, past: [...past.slice(1 - MOST_BACK), document] });
      put(changed);
    },
    [put, turn],
  );
  const undo = useCallback((): void => {
    const { past } = stands.current;
    const last = past.at(-1);
    if (last === undefined) return;
    turn({ document: last, past: past.slice(0, -1) });
    put(last);
  }, [put, turn]);
  // What somebody else has changed is taken over where nothing of ours waits.
  useEffect(() => {
    const now = held.current;
    if (now.wanted !== null || now.sending || saved.revision <= now.revision) return;
    now.revision = saved.revision;
    turn({ document: saved.document, past: [] });
  }, [saved, turn]);
  // Whoever goes away takes what was typed last with them.
  useEffect(() => {
    const leave = (): void => void keep();
    window.addEventListener('pagehide', leave);
    return () => {
      window.removeEventListener('pagehide', leave);
      leave();
    };
  }, [keep]);
  const changeSection = useCallback(
    (id: string, changed: Partial<Section>) =>
      change((current) => ({
        ...current,
        sections: current.sections.map((section) =>
          section.id === id ? { ...section, ...changed } : section,
        ),
      })),
    [change],
  );
  return { document, change, changeSection, undo, canUndo: past.length > 0, state, trouble };
}

import type { ReadAbout, Study, StudiedResult } from '@opsimath/contract/api/study';
import { Button } from 'antd';
import { useState } from 'react';
import { useProjectsQuery } from '../../state/projectApi';
import { useFetchRecordsMutation, useReadMutation, useStudyQuery, studyApi } from '../../state/studyApi';
import { request } from '../../state/operations';
import { useUndoable } from '../../state/undoStacks';
import { PictureOf } from '../pictures/PictureOf';
import { Problem } from '../words/Problem';
import { count, decimal, percent } from '../words/figures';
import './study.css';

interface FrontStudyProps {
  project: number;
  keyword: number;
  market: string;
  date: string;
}
const ABOUT: Record<ReadAbout, string> = { opening: 'Opening lines', picture: 'Pictures' };
const QUARTERS = ['', 'lowest quarter', 'second quarter', 'third quarter', 'highest quarter'];

/** How the front opens, looks, is tagged and sells; each result can be looked at and ticked. */
export function FrontStudy(props: FrontStudyProps) {
  const { data, error } = useStudyQuery(props);
  const [fetchRecords, { isLoading, error: refused }] = useFetchRecordsMutation();
  const [open, setOpen] = useState(false);
  if (error) return <Problem error={error} />;
  if (!data) return null;
  return (
    <section className="section study" aria-label="How the front shows itself">
      <h2>How the front shows itself</h2>
      <ul className="soft told">
        {(['opening', 'picture'] as const).map((about) => (
          <li key={about}>
            {ABOUT[about]}: <Shares read={data.read[about]} front={data.front} ours={oursOf(data, about)} />
          </li>
        ))}
        {data.tags.map((tags) => (
          <li key={tags.name} title={`${tags.least} to ${tags.most}, of ${tags.known} results`}>
            {tags.name === 'tags' ? 'Tags' : 'Characters of all tags'}: half of the front between{' '}
            <b>{decimal(tags.low, 0)}</b> and <b>{decimal(tags.high, 0)}</b>, at most {count(tags.limit)};
            ours {tags.ours === null ? 'unknown' : `${count(tags.ours)}, ${QUARTERS[tags.quarter!]}`}.
          </li>
        ))}
        <li>
          <Things things={data.things} />
        </li>
        {data.surface === 'marketplace' && (
          <li>
            {data.pace === null
              ? 'Pace unknown: it needs sales ranks and a curve of their category.'
              : `Pace: ${decimal(data.pace.aDay, 1)} units a day, ${count(Math.ceil(data.pace.inAll))} in ${data.pace.days} days, as the weakest seller of the front does (position ${data.pace.position}, of ${data.pace.known} known). Estimated from sales ranks.`}
          </li>
        )}
      </ul>
      <div className="study-acts">
        <button className="plain written" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Close the results' : 'Look at the results one by one'}
        </button>
        {data.recorded < data.front && (
          <Button
            size="small"
            loading={isLoading}
            title="Pictures, tags and sales come with the public records. They cost no units."
            onClick={() => void fetchRecords(props)}
          >
            Fetch {data.front - data.recorded} public records
          </Button>
        )}
      </div>
      {refused && <Problem error={refused} />}
      {open && (
        <ul className="told">
          {data.results.map((result) => (
            <Result key={result.address} project={props.project} result={result} />
          ))}
        </ul>
      )}
    </section>
  );
}

/** What was ticked at our best result: `null` where nobody looked at it, `undefined` where none of ours is held. */
function oursOf(data: Study, about: ReadAbout): readonly string[] | null | undefined {
  return data.results.find(({ side }) => side === 'own')?.read[about];
}

interface SharesProps {
  read: Study['read']['opening'];
  front: number;
  ours: readonly string[] | null | undefined;
}

function Shares({ read: { looked, shares }, front, ours }: SharesProps) {
  if (looked === 0) return <>nobody has looked yet.</>;
  return (
    <>
      {shares.map(({ trait, share }) => `${trait} ${percent(share, 0)}`).join(', ')} of the {looked} looked at
      {looked < front && ` (${front - looked} not yet)`}.{ours === null && ' Ours: not looked at yet.'}
      {ours && ` Ours: ${ours.length > 0 ? ours.join(', ') : 'none of these'}.`}
    </>
  );
}

function Things({ things: { counts, none } }: { things: Study['things'] }) {
  if (counts.length === 0)
    return <>What kind of thing: the fact card of ours names no type and no material to look for.</>;
  return (
    <>
      Titles name{' '}
      {counts.map(({ thing, titles, ours }) => `${thing} ${titles}${ours ? ' (and ours)' : ''}`).join(', ')};{' '}
      {none} none of them.
    </>
  );
}

function Result({ project, result }: { project: number; result: StudiedResult }) {
  return (
    <li className={`studied ${result.side}`}>
      <PictureOf picture={result.picture} name={result.owner ?? '?'} address={result.address} />
      <div>
        <div>
          <b>{result.position ?? 'not on this page'}</b> {result.owner}
          {result.side === 'own' && <span className="soft"> · ours</span>}
          {result.tags !== null && result.tags.count > 0 && (
            <span className="faint"> · {result.tags.count} tags</span>
          )}
          {result.units !== null && (
            <span className="faint" title="Estimated from its sales rank">
              {' '}
              · about {count(Math.round(result.units))} sold a month
            </span>
          )}
        </div>
        <div className="soft">{result.opening || 'It has no description.'}</div>
        <Ticks project={project} result={result} about="opening" />
        <Ticks project={project} result={result} about="picture" />
      </div>
    </li>
  );
}

const NONE = 'none';

/** What one result shows, as ticks; each press is kept at once and can be taken back. */
function Ticks({ project, result, about }: { project: number; result: StudiedResult; about: ReadAbout }) {
  const { data: projects } = useProjectsQuery();
  const [read] = useReadMutation();
  const undoable = useUndoable(project);
  const settings = projects?.find(({ id }) => id === project)?.settings;
  if (!settings) return null;
  const asked = about === 'opening' ? settings.openingTraits : settings.pictureTraits;
  const now = result.read[about];
  const keep = async (traits: string[] | null): Promise<void> => {
    const { address } = result;
    const toKeep = (next: string[] | null) =>
      request(studyApi.endpoints.read, { project, address, about, traits: next });
    await read({ project, address, about, traits }).unwrap();
    undoable({
      what: `${ABOUT[about]} of ${result.owner ?? result.address} looked at`,
      undo: toKeep(now),
      redo: toKeep(traits),
    });
  };
  const pressed = (trait: string): string[] | null => {
    if (trait === NONE) return now?.length === 0 ? null : [];
    const held = now ?? [];
    const next = held.includes(trait) ? held.filter((other) => other !== trait) : [...held, trait];
    return next.length === 0 ? null : next;
  };
  return (
    <div className="ticks" role="group" aria-label={`${ABOUT[about]}, ${result.address}`}>
      <span className="faint">{about === 'opening' ? 'opens with' : 'picture'}</span>
      {[...asked, NONE].map((trait) => (
        <button
          key={trait}
          className="plain mark"
          aria-pressed={trait === NONE ? now?.length === 0 : (now?.includes(trait) ?? false)}
          onClick={() => void keep(pressed(trait)).catch(() => undefined)}
        >
          {trait}
        </button>
      ))}
    </div>
  );
}

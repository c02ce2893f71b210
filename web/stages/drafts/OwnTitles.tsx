import type { OwnCopy } from '@opsimath/contract/api/drafts';
import { replaceIn } from '@opsimath/core/copy/replaceIn';
import { Button, Checkbox, Input } from 'antd';
import { useMemo, useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { Waiting } from '../../parts/words/Waiting';
import { count } from '../../parts/words/figures';
import { useTrouble } from '../../parts/words/useTrouble';
import { useMessages } from '../../state/messages';
import { draftsApi, useOwnCopyQuery, useSeveralDraftsMutation } from '../../state/draftsApi';
import { request } from '../../state/operations';
import { useBannedWordsQuery } from '../../state/rosterApi';
import { undoStackOf, useUndoable } from '../../state/undoStacks';
import { useScope } from '../../state/useScope';
import { Differences } from './Differences';
import { markedParts } from './markedParts';
import { Told } from '../../words/Told';
import { t } from '../../words/t';

const SHOWN = 200;
type Page = OwnCopy['pages'][number];

/** All our titles: what each lacks of the keyword that it answers; and one thing said otherwise in many of them. */
export function OwnTitles() {
  const { project, scope, change } = useScope();
  const { data, error } = useOwnCopyQuery(
    { project, market: scope.market, date: scope.date },
    { skip: scope.market === '' || scope.date === '' },
  );
  const [isReplacing, replace] = useState(false);
  if (error) return <Problem error={error} />;
  if (!data) return <Waiting for={t('drafts:OwnTitles.ourTitles')} />;
  const lacking = data.pages.filter(({ lead, leadAt }) => lead !== null && leadAt === null).length;
  return (
    <>
      <header className="stage-head">
        <div>
          <h1>
            <Told
              id="drafts:OwnTitles.lackingOfPagesTitlesDoNot"
              values={{ lacking: count(lacking), pages: count(data.pages.length) }}
              parts={{ b: <b /> }}
            />
          </h1>
          <p className="soft">
            {t('drafts:OwnTitles.eachBesideTheMostSearchedKeyword', { limit: data.limit })}
            {data.templates.length > 0 &&
              ` ${t('drafts:OwnTitles.aTemplateSaysTemplates', { templates: data.templates.map((part) => `“${part}”`).join(', ') })}`}
          </p>
        </div>
        <span className="stage-tools">
          <Button size="small" onClick={() => replace(!isReplacing)}>
            {isReplacing ? t('drafts:OwnTitles.showAllTitles') : t('drafts:OwnTitles.findAndReplace')}
          </Button>
        </span>
      </header>
      {isReplacing ? (
        <FindAndReplace data={data} />
      ) : (
        <div className="titles-scroll">
          <table className="ledger" aria-label={t('drafts:OwnTitles.ownTitles')}>
            <thead>
              <tr>
                <th>{t('drafts:OwnTitles.title')}</th>
                <th className="figure">{t('drafts:OwnTitles.room')}</th>
                <th>{t('drafts:OwnTitles.answers')}</th>
                <th className="figure">{t('drafts:OwnTitles.volume')}</th>
                <th title={t('drafts:OwnTitles.wordOfTheTitleAtWhich')}>{t('drafts:OwnTitles.standsAt')}</th>
                <th>{t('drafts:OwnTitles.lacks')}</th>
                <th>{t('drafts:OwnTitles.saysBeside')}</th>
              </tr>
            </thead>
            <tbody>
              {data.pages.slice(0, SHOWN).map((page) => (
                <tr key={page.address}>
                  <td>
                    {page.title}
                    <span className="soft under draft-address">{page.address}</span>
                  </td>
                  <td className="figure">{roomOf(page, data.limit)}</td>
                  <td>
                    {page.lead ? (
                      <button className="plain" onClick={() => change({ open: page.lead!.id })}>
                        {page.lead.text}
                      </button>
                    ) : (
                      <span className="faint">{t('drafts:OwnTitles.nothingKnown')}</span>
                    )}
                  </td>
                  <td className="figure">{page.volume === null ? '' : count(page.volume)}</td>
                  <td>{page.leadAt ?? <span className="faint">{t('drafts:OwnTitles.notWhole')}</span>}</td>
                  <td>{page.missing.join(', ')}</td>
                  <td className="soft">
                    {[...(page.brandFirst ? [t('drafts:OwnTitles.brandFirst')] : []), ...page.template].join(
                      ', ',
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {data.total > SHOWN && (
            <p className="soft">
              {t('drafts:OwnTitles.theSHOWNOfMostSearchesAre', { SHOWN, total: count(data.total) })}
            </p>
          )}
        </div>
      )}
    </>
  );
}

function roomOf({ title }: Page, limit: number): React.ReactNode {
  const left = limit - [...title].length;
  return left < 0 ? <b className="draft-over">{t('drafts:OwnTitles.leftOver', { left: -left })}</b> : left;
}

/** Something said otherwise in many titles and descriptions: seen before, ticked one by one, put into drafts. */
function FindAndReplace({ data }: { data: OwnCopy }) {
  const { project, scope, change } = useScope();
  const [find, setFind] = useState('');
  const [replace, setReplace] = useState('');
  const [isWhole, setWhole] = useState(true);
  const [inDescriptions, setDescriptions] = useState(false);
  const [left, leave] = useState<ReadonlySet<string>>(new Set());
  const [begin, { isLoading }] = useSeveralDraftsMutation();
  const { data: banned } = useBannedWordsQuery(project);
  const undoable = useUndoable(project);
  const message = useMessages();
  const trouble = useTrouble();
  const found = useMemo(
    () =>
      find.trim() === ''
        ? []
        : data.pages.flatMap((page) => {
            const title = replaceIn(page.title, find, replace, isWhole);
            const description = replaceIn(page.description, find, replace, isWhole);
            const changed = {
              ...(title.count > 0 && { title: title.text.trim() }),
              ...(inDescriptions && description.count > 0 && { description: description.text.trim() }),
            };
            return Object.keys(changed).length === 0 ? [] : [{ page, changed }];
          }),
    [data, find, replace, isWhole, inDescriptions],
  );
  const ticked = found.filter(({ page }) => !left.has(page.address));
  const phrases = (banned ?? []).map(({ text, level, reason }) => ({
    phrase: text.toLowerCase(),
    level,
    reason,
  }));
  const put = async (): Promise<void> => {
    const arg = {
      project,
      market: scope.market,
      drafts: ticked.map(({ page, changed }) => ({
        address: page.address,
        keywords: page.lead ? [page.lead.id] : [],
        fields: changed,
      })),
    };
    try {
      const { ids } = await begin(arg).unwrap();
      undoable({
        what: t('drafts:OwnTitles.findReplacedInIdsDrafts', { find, ids: ids.length }),
        undo: request(draftsApi.endpoints.removeDrafts, { project, ids }),
        redo: request(draftsApi.endpoints.severalDrafts, arg),
      });
      void message.open({
        content: (
          <span>
            {t('drafts:OwnTitles.idsDraftsWereBegun', { ids: ids.length })}{' '}
            <button className="plain written" onClick={() => void undoStackOf(project).undo()}>
              {t('drafts:OwnTitles.undo')}
            </button>{' '}
            <button className="plain written" onClick={() => change({ view: '' })}>
              {t('drafts:OwnTitles.showThem')}
            </button>
          </span>
        ),
        duration: 8,
      });
    } catch (error) {
      trouble(error);
    }
  };
  return (
    <>
      <p className="new-draft">
        <Input
          size="small"
          aria-label={t('drafts:OwnTitles.find')}
          placeholder={t('drafts:OwnTitles.find2')}
          style={{ width: 200 }}
          value={find}
          onChange={({ target }) => setFind(target.value)}
        />
        <Input
          size="small"
          aria-label={t('drafts:OwnTitles.replaceWith')}
          placeholder={t('drafts:OwnTitles.replaceWith2')}
          style={{ width: 200 }}
          value={replace}
          onChange={({ target }) => setReplace(target.value)}
        />
        <Checkbox checked={isWhole} onChange={({ target }) => setWhole(target.checked)}>
          {t('drafts:OwnTitles.wholeWordsOnly')}
        </Checkbox>
        <Checkbox checked={inDescriptions} onChange={({ target }) => setDescriptions(target.checked)}>
          {t('drafts:OwnTitles.inDescriptionsToo')}
        </Checkbox>
        <Button
          size="small"
          type="primary"
          loading={isLoading}
          disabled={ticked.length === 0}
          onClick={() => void put()}
        >
          {t('drafts:OwnTitles.putTickedIntoDrafts', { ticked: ticked.length })}
        </Button>
      </p>
      <div className="titles-scroll">
        {found.map(({ page, changed }) => {
          const over = changed.title !== undefined && [...changed.title].length > data.limit;
          const wary = Object.values(changed).some((text) =>
            markedParts(text, text.length, [], phrases).some(({ mark }) => mark === 'banned'),
          );
          return (
            <section key={page.address} className="replaced" aria-label={page.address}>
              <Checkbox
                checked={!left.has(page.address)}
                onChange={() => {
                  const next = new Set(left);
                  if (!next.delete(page.address)) next.add(page.address);
                  leave(next);
                }}
              >
                {page.address}
              </Checkbox>
              {over && <b className="draft-over"> {t('drafts:OwnTitles.titleOverItsLimit')}</b>}
              {wary && <b className="draft-over"> {t('drafts:OwnTitles.holdsAWordNotToBe')}</b>}
              <Differences
                before={{ title: page.title, description: page.description }}
                after={{ title: page.title, description: page.description, ...changed }}
                names={['now', 'then']}
              />
            </section>
          );
        })}
        {find.trim() !== '' && found.length === 0 && (
          <p className="soft">{t('drafts:OwnTitles.itStandsInNoneOfThem')}</p>
        )}
      </div>
    </>
  );
}

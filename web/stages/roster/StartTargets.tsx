import type { Target } from '@opsimath/contract/api/targets';
import { readAddress } from '@opsimath/core/text/address';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { counted } from '../../parts/words/figures';
import { useAddTargetsMutation } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';
import { t } from '../../words/t';

const WORDS = {
  own: {
    label: t('roster:StartTargets.ourSite'),
    hint: t('roster:StartTargets.ourSiteShopOrChannel'),
    press: t('roster:StartTargets.thisIsUs'),
  },
  rival: {
    label: t('roster:StartTargets.sitesWeFace'),
    hint: t('roster:StartTargets.theirSitesCommaBetween'),
    press: t('roster:StartTargets.takeThemIn'),
  },
};

/** One side of the first steps: who is in already, and a line for more. A single page raises the question of its site. */
export function StartTargets({ side, targets }: { side: Target['side']; targets: readonly Target[] }) {
  const { project, scope, change } = useScope();
  const [text, setText] = useState('');
  const [add, { isLoading, error }] = useAddTargetsMutation();
  const [left, setLeft] = useState<string[]>([]);
  const words = WORDS[side];
  const lines = text.split(/[,\n]+/).flatMap((line) => line.trim() || []);
  const pages = lines.filter(isPage);
  const take = async (wanted: readonly string[]): Promise<void> => {
    const answer = await add({ project, side, market: scope.market, text: wanted.join('\n') }).unwrap();
    setLeft(answer.left.map((line) => `“${line.text.slice(0, 60)}”: ${line.reason}.`));
    if (answer.left.length === 0) setText('');
  };
  const sites = lines.map((line) => (isPage(line) ? siteOf(line) : line));
  return (
    <>
      {targets.length > 0 && <p className="start-names">{targets.map(({ name }) => name).join(', ')}</p>}
      <form
        className="start-line"
        onSubmit={(event) => {
          event.preventDefault();
          void take(lines).catch(() => undefined);
        }}
      >
        <Input
          size="small"
          aria-label={words.label}
          placeholder={targets.length > 0 ? t('roster:StartTargets.andAnother') : words.hint}
          value={text}
          maxLength={4000}
          onChange={(event) => setText(event.target.value)}
        />
        <Button size="small" htmlType="submit" loading={isLoading} disabled={lines.length === 0}>
          {words.press}
        </Button>
      </form>
      {pages.length > 0 && (
        <p className="soft" role="status">
          {t('roster:StartTargets.whichASiteBringsAllIts', {
            which:
              pages.length === 1
                ? t('roster:StartTargets.thisIsASinglePage')
                : t('roster:StartTargets.linesAreSinglePages', { lines: counted(pages.length, 'line') }),
          })}{' '}
          <button className="plain written" onClick={() => void take(sites).catch(() => undefined)}>
            {t('roster:StartTargets.takeWhichInstead', {
              which: pages.length === 1 ? siteOf(pages[0]!) : t('roster:StartTargets.theirSites'),
            })}
          </button>
        </p>
      )}
      {side === 'rival' && targets.length === 0 && (
        <p className="soft">
          {t('roster:StartTargets.notSureWho')}{' '}
          <button className="plain written" onClick={() => change({ view: 'find' })}>
            {t('roster:StartTargets.seeWhoStandsOnTheFront')}
          </button>
        </p>
      )}
      {error && <Problem error={error} />}
      {left.map((line) => (
        <p key={line} className="soft" role="alert">
          {line}
        </p>
      ))}
    </>
  );
}

function isPage(line: string): boolean {
  const read = readAddress(line);
  return 'kind' in read && read.kind === 'page' && read.surface === 'web';
}

function siteOf(line: string): string {
  const read = readAddress(line);
  return 'address' in read ? read.address.split('/')[0]! : line;
}

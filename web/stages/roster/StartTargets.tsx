import type { Target } from '@opsimath/contract/api/targets';
import { readAddress } from '@opsimath/core/text/address';
import { Button, Input } from 'antd';
import { useState } from 'react';
import { Problem } from '../../parts/words/Problem';
import { counted } from '../../parts/words/figures';
import { useAddTargetsMutation } from '../../state/rosterApi';
import { useScope } from '../../state/useScope';

const WORDS = {
  own: { label: 'Our site', hint: 'our site, shop or channel', press: 'This is us' },
  rival: { label: 'Sites we face', hint: 'their sites, comma between', press: 'Take them in' },
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
          placeholder={targets.length > 0 ? 'and another' : words.hint}
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
          {pages.length === 1
            ? 'This is a single page.'
            : `${counted(pages.length, 'line')} are single pages.`}{' '}
          A site brings all its keywords.{' '}
          <button className="plain written" onClick={() => void take(sites).catch(() => undefined)}>
            Take {pages.length === 1 ? siteOf(pages[0]!) : 'their sites'} instead
          </button>
        </p>
      )}
      {side === 'rival' && targets.length === 0 && (
        <p className="soft">
          Not sure who?{' '}
          <button className="plain written" onClick={() => change({ view: 'find' })}>
            See who stands on the front of a keyword
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

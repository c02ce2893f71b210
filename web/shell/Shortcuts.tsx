import { Modal } from 'antd';
import { Fragment } from 'react';
import { useLocation } from 'react-router';
import { STAGES } from './stages';

const EVERYWHERE: [string, string][] = [
  ['Ctrl K', 'check any keyword; go to a stage, a part of one, a list, a target; run an action'],
  ...STAGES.map((stage): [string, string] => [`g ${stage.letter}`, `go to ${stage.name}`]),
  [', .', 'the part of a stage before and after the one that is open'],
  ['Ctrl Z, Ctrl Y', 'take the last thing done back, do it again'],
  ['?', 'this list'],
  ['Esc', 'close what is open'],
];
const BY_STAGE: Record<string, [string, string][]> = {
  gaps: [
    ['↑ ↓', 'move between rows'],
    ['PgUp PgDn', 'a screen up or down'],
    ['Home End', 'first and last row'],
    ['Space', 'put the row into the tray, or take it out'],
    ['Enter', 'open the dossier'],
    ['Shift + press on a head', 'sort by it as well'],
    ['/', 'find a keyword'],
  ],
  rounds: [
    ['f', 'fill the round that is chosen'],
    ['↑ ↓ ← →', 'move between pieces of work and rounds'],
    ['Enter', 'open the piece of work'],
    ['1 – 9', 'put it into that round'],
    ['Alt ↑, Alt ↓', 'move it up or down in its round'],
    ['q', 'back to the queue'],
  ],
  'look-up': [
    ['Ctrl Enter', 'price the look-up as typed'],
    ['/', 'find in the pool'],
    ['Shift + press on a head', 'sort by it as well'],
    ['↑ ↓', 'move between rows of the pool'],
    ['Space', 'put the row into the tray'],
    ['Enter', 'open the dossier'],
  ],
  sift: [
    ['f a o', 'judge the row: fit, adjacent, off'],
    ['u', 'unjudged again'],
    ['w', 'park it: decide later'],
    ['x', 'say the keywords a second time, translated; once more takes it away'],
    ['n, z', 'on the desk: skip, take the last verdict back'],
    ['Alt ↑, Alt ↓', 'move the sieve that has the focus'],
    ['↑ ↓', 'move between rows'],
    ['Space', 'put the row into the tray'],
    ['Enter', 'open the dossier'],
    ['/', 'find among what came through'],
  ],
  roster: [['Esc', 'close the target']],
  report: [
    ['Alt ↑, Alt ↓', 'move the section that has the focus'],
    ['Space, ↑ ↓, Space', 'carry a section by its dots'],
    ['Ctrl B, Ctrl I', 'bold, italic in the text'],
    ['Ctrl P', 'print the report'],
  ],
};

/** The keys of the screen that is open. */
export function Shortcuts({ onClose }: { onClose: () => void }) {
  const stage = useLocation().pathname.split('/')[3] ?? '';
  const here = BY_STAGE[stage] ?? [];
  return (
    <Modal open onCancel={onClose} footer={null} title={<span className="serif">Keys</span>} width={460}>
      {here.length > 0 && <KeyList title="On this screen" keys={here} />}
      <KeyList title="Everywhere" keys={EVERYWHERE} />
    </Modal>
  );
}

function KeyList({ title, keys }: { title: string; keys: [string, string][] }) {
  return (
    <section className="section">
      <h3>{title}</h3>
      <dl className="keys-list">
        {keys.map(([pressed, does]) => (
          <Fragment key={pressed}>
            <dt>
              <kbd>{pressed}</kbd>
            </dt>
            <dd>{does}</dd>
          </Fragment>
        ))}
      </dl>
    </section>
  );
}

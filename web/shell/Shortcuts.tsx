import { Modal } from 'antd';
import { Fragment } from 'react';
import { useLocation } from 'react-router';
import { STAGES } from './stages';
import { t } from '../words/t';

const EVERYWHERE: [string, string][] = [
  [t('shell:Shortcuts.ctrlK'), t('shell:Shortcuts.checkAnyKeywordGoToA')],
  ...STAGES.map((stage): [string, string] => [
    `g ${stage.letter}`,
    t('shell:Shortcuts.goToName', { name: stage.name }),
  ]),
  [', .', t('shell:Shortcuts.thePartOfAStageBefore')],
  [t('shell:Shortcuts.ctrlZCtrlY'), t('shell:Shortcuts.takeTheLastThingDoneBack')],
  ['?', t('shell:Shortcuts.thisList')],
  [t('shell:Shortcuts.esc'), t('shell:Shortcuts.closeWhatIsOpen')],
];
const BY_STAGE: Record<string, [string, string][]> = {
  gaps: [
    ['↑ ↓', t('shell:Shortcuts.moveBetweenRows')],
    [t('shell:Shortcuts.pgUpPgDn'), t('shell:Shortcuts.aScreenUpOrDown')],
    [t('shell:Shortcuts.homeEnd'), t('shell:Shortcuts.firstAndLastRow')],
    [t('shell:Shortcuts.space'), t('shell:Shortcuts.putTheRowIntoTheTray')],
    [t('shell:Shortcuts.enter'), t('shell:Shortcuts.openTheDossier')],
    ['v', t('shell:Shortcuts.showOrHideTheVariantsOf')],
    [t('shell:Shortcuts.shiftPressOnAHead'), t('shell:Shortcuts.sortByItAsWell')],
    ['/', t('shell:Shortcuts.findAKeyword')],
  ],
  rounds: [
    ['f', t('shell:Shortcuts.fillTheRoundThatIsChosen')],
    ['↑ ↓ ← →', t('shell:Shortcuts.moveBetweenPiecesOfWorkAnd')],
    [t('shell:Shortcuts.enter'), t('shell:Shortcuts.openThePieceOfWork')],
    ['1 – 9', t('shell:Shortcuts.putItIntoThatRound')],
    [t('shell:Shortcuts.altAlt'), t('shell:Shortcuts.moveItUpOrDownIn')],
    ['q', t('shell:Shortcuts.backToTheQueue')],
  ],
  'look-up': [
    [t('shell:Shortcuts.ctrlEnter'), t('shell:Shortcuts.priceTheLookUpAsTyped')],
    ['/', t('shell:Shortcuts.findInThePool')],
    [t('shell:Shortcuts.shiftPressOnAHead'), t('shell:Shortcuts.sortByItAsWell')],
    ['↑ ↓', t('shell:Shortcuts.moveBetweenRowsOfThePool')],
    [t('shell:Shortcuts.space'), t('shell:Shortcuts.putTheRowIntoTheTray2')],
    [t('shell:Shortcuts.enter'), t('shell:Shortcuts.openTheDossier')],
  ],
  sift: [
    ['f a o', t('shell:Shortcuts.judgeTheRowFitAdjacentOff')],
    ['u', t('shell:Shortcuts.unjudgedAgain')],
    ['w', t('shell:Shortcuts.parkItDecideLater')],
    ['x', t('shell:Shortcuts.sayTheKeywordsASecondTime')],
    ['n, z', t('shell:Shortcuts.onTheDeskSkipTakeThe')],
    [t('shell:Shortcuts.altAlt'), t('shell:Shortcuts.moveTheSieveThatHasThe')],
    ['↑ ↓', t('shell:Shortcuts.moveBetweenRows')],
    [t('shell:Shortcuts.space'), t('shell:Shortcuts.putTheRowIntoTheTray2')],
    [t('shell:Shortcuts.enter'), t('shell:Shortcuts.openTheDossier')],
    ['/', t('shell:Shortcuts.findAmongWhatCameThrough')],
  ],
  roster: [[t('shell:Shortcuts.esc'), t('shell:Shortcuts.closeTheTarget')]],
  report: [
    [t('shell:Shortcuts.altAlt'), t('shell:Shortcuts.moveTheSectionThatHasThe')],
    [t('shell:Shortcuts.spaceSpace'), t('shell:Shortcuts.carryASectionByItsDots')],
    [t('shell:Shortcuts.ctrlBCtrlI'), t('shell:Shortcuts.boldItalicInTheText')],
    [t('shell:Shortcuts.ctrlP'), t('shell:Shortcuts.printTheReport')],
  ],
};

/** The keys of the screen that is open. */
export function Shortcuts({ onClose }: { onClose: () => void }) {
  const stage = useLocation().pathname.split('/')[3] ?? '';
  const here = BY_STAGE[stage] ?? [];
  return (
    <Modal
      open
      onCancel={onClose}
      footer={null}
      title={<span className="serif">{t('shell:Shortcuts.keys')}</span>}
      width={460}
    >
      {here.length > 0 && <KeyList title={t('shell:Shortcuts.onThisScreen')} keys={here} />}
      <KeyList title={t('shell:Shortcuts.everywhere')} keys={EVERYWHERE} />
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

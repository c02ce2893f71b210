import type { ChangeAddition, Draft } from '@opsimath/contract/api/drafts';
import { Modal, Segmented } from 'antd';
import { useState } from 'react';
import { DayField } from '../../parts/words/DayField';
import { useTrouble } from '../../parts/words/useTrouble';
import { useMessages } from '../../state/messages';
import { usePublishDraftMutation } from '../../state/publishedApi';
import { useAppSelector } from '../../state/store';
import { useScope } from '../../state/useScope';
import { ChangeKind } from './ChangeKind';
import type { Check } from './CheckList';
import { Differences } from './Differences';
import { t } from '../../words/t';

interface PublishFormProps {
  draft: Draft;
  checks: readonly Check[];
  /** Whether everything that was typed has been kept. */
  isKept: boolean;
  onClose: () => void;
}

/** What would change, what is not seen to yet, and the two ways of publishing. */
export function PublishForm({ draft, checks, isKept, onClose }: PublishFormProps) {
  const { project, scope, change } = useScope();
  const person = useAppSelector((state) => state.preferences.person);
  const [publish, { isLoading }] = usePublishDraftMutation();
  const [way, setWay] = useState<'service' | 'by hand'>('service');
  const [date, setDate] = useState(scope.date);
  const [kind, setKind] = useState<ChangeAddition['kind']>('edit');
  const message = useMessages();
  const trouble = useTrouble();
  const open = checks.filter(({ done }) => !done);
  const send = async (): Promise<void> => {
    try {
      await publish({
        project,
        id: draft.id,
        way,
        kind,
        person,
        ...(way === 'by hand' && { date }),
      }).unwrap();
      void message.success(t('drafts:PublishForm.itStandsOnTheTimelineWith'));
      change({ draft: null, view: 'published' });
    } catch (error) {
      trouble(error, t('drafts:PublishForm.pressPublishAgainNothingIs'));
    }
  };
  return (
    <Modal
      open
      width={820}
      title={<span className="serif">{t('drafts:PublishForm.publish')}</span>}
      okText={way === 'service' ? t('drafts:PublishForm.publishIt') : t('drafts:PublishForm.noteItAsDone')}
      okButtonProps={{ loading: isLoading, disabled: draft.address === '' || !isKept }}
      onOk={() => void send()}
      onCancel={onClose}
    >
      <p>
        <Segmented
          size="small"
          value={way}
          options={[
            { value: 'service', label: t('drafts:PublishForm.throughTheConnectedService') },
            { value: 'by hand', label: t('drafts:PublishForm.itWasDoneByHand') },
          ]}
          onChange={(next) => setWay(next as typeof way)}
        />{' '}
        {way === 'by hand' && (
          <>
            <DayField name={t('drafts:PublishForm.dayOnWhichItWasDone')} value={date} onChange={setDate} />{' '}
            <ChangeKind value={kind} onChange={setKind} />
          </>
        )}
      </p>
      {draft.address === '' && <p className="problem">{t('drafts:PublishForm.itIsForAPlannedTarget')}</p>}
      {open.length > 0 && (
        <p className="soft">
          {t('drafts:PublishForm.notSeenToYetOpen', {
            open: open.map(({ text }) => text.charAt(0).toLowerCase() + text.slice(1)).join('; '),
          })}
        </p>
      )}
      <Differences
        before={draft.present?.fields ?? {}}
        after={draft.fields}
        names={[t('drafts:PublishForm.asItStands'), t('drafts:PublishForm.asItWillStand')]}
      />
    </Modal>
  );
}

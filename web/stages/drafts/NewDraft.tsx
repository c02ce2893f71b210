import { type DraftKind, KINDS_OF } from '@opsimath/core/copy/draftFields';
import { Button, Input, Select } from 'antd';
import { useState } from 'react';
import { useTrouble } from '../../parts/words/useTrouble';
import { useAddDraftMutation } from '../../state/draftsApi';
import { useTargetsQuery } from '../../state/rosterApi';
import { useListsQuery } from '../../state/siftApi';
import { useGapPageQuery } from '../../state/gapsApi';
import { useAppSelector } from '../../state/store';
import { surfaceOf } from '../../state/surfaceOf';
import { useScope } from '../../state/useScope';
import { t, wordOf } from '../../words/t';

const NOTHING: { id: number; text: string }[] = [];
const TRAY = 'tray';

/** Begins a draft: of which kind, for which target, to serve which keywords. */
export function NewDraft() {
  const { project, scope, change } = useScope();
  const kinds = KINDS_OF[surfaceOf(scope.market)];
  const [kind, setKind] = useState<DraftKind>(kinds[0]);
  const [address, setAddress] = useState('');
  const [from, setFrom] = useState<string>(TRAY);
  const tray = useAppSelector((state) => state.tray[project] ?? NOTHING);
  const { data: lists } = useListsQuery(project);
  const { data: targets } = useTargetsQuery(project);
  const [add, { isLoading }] = useAddDraftMutation();
  const trouble = useTrouble();
  const own = (targets ?? []).filter(({ side }) => side === 'own').map((target) => target.address);
  const list = (lists ?? []).find(({ id }) => String(id) === from);
  const { data: listed, isFetching } = useGapPageQuery(
    {
      project,
      query: { market: scope.market, date: scope.date, inList: list?.id, sort: '-demand', limit: 500 },
    },
    { skip: list === undefined },
  );
  const keywords = list ? (listed?.rows ?? []) : tray;
  const begin = async (): Promise<void> => {
    try {
      const { id } = await add({
        project,
        draft: {
          market: scope.market,
          date: scope.date,
          kind,
          name:
            keywords[0]?.text ??
            (address.split('/').at(-1) || t('drafts:NewDraft.newKind', { kind: wordOf(kind) })),
          address,
          keywords: keywords.map((keyword) => keyword.id),
        },
      }).unwrap();
      change({ draft: id });
    } catch (error) {
      trouble(error);
    }
  };
  return (
    <section className="new-draft" aria-label={t('drafts:NewDraft.aNewDraft')}>
      <span className="soft">{t('drafts:NewDraft.aNewDraft2')} </span>
      <Select
        size="small"
        aria-label={t('drafts:NewDraft.kind')}
        style={{ width: 110 }}
        value={kind}
        options={kinds.map((name) => ({ value: name, label: name }))}
        onChange={(next: DraftKind) => setKind(next)}
      />
      <Input
        size="small"
        aria-label={t('drafts:NewDraft.addressOfTheTarget')}
        placeholder={t('drafts:NewDraft.addressOfOursOwnEmptyFor', {
          own: own[0] ?? t('drafts:NewDraft.site'),
        })}
        style={{ width: 330 }}
        value={address}
        onChange={({ target }) => setAddress(target.value.trim())}
      />
      <Select
        size="small"
        aria-label={t('drafts:NewDraft.keywords')}
        style={{ width: 190 }}
        value={from}
        options={[
          { value: TRAY, label: t('drafts:NewDraft.theTrayTrayKeywords', { tray: tray.length }) },
          ...(lists ?? []).map(({ id, name }) => ({ value: String(id), label: name })),
        ]}
        onChange={setFrom}
      />
      <Button
        size="small"
        type="primary"
        loading={isLoading}
        disabled={isFetching}
        onClick={() => void begin()}
      >
        {t('drafts:NewDraft.begin')}
      </Button>
    </section>
  );
}

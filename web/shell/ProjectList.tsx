import { Button, Input } from 'antd';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { Problem } from '../parts/words/Problem';
import { useCreateProjectMutation, useProjectsQuery } from '../state/projectApi';
import { ArchiveIn } from './ArchiveIn';
import { AuditAtOnce } from './AuditAtOnce';
import { LanguageChoice } from './LanguageChoice';
import { t } from '../words/t';

/** The first page: open a project or begin one. */
export function ProjectList() {
  const { data: projects, error } = useProjectsQuery();
  const [create, { isLoading, error: creationError }] = useCreateProjectMutation();
  const [name, setName] = useState('');
  const navigate = useNavigate();
  const begin = async (): Promise<void> => {
    if (name.trim() === '') return;
    const project = await create(name.trim()).unwrap();
    await navigate(`/p/${project.id}/roster`);
  };
  return (
    <main style={{ maxWidth: 620, margin: '9vh auto 0', padding: '0 20px' }}>
      <h1 style={{ fontSize: 40, fontWeight: 600 }}>{t('shell:ProjectList.opsimath')}</h1>
      <p className="soft" style={{ fontSize: 15, marginTop: 4 }}>
        {t('shell:ProjectList.oneWhoLearnsLateFindsWhich')}
      </p>
      {(error ?? creationError) && <Problem error={error ?? creationError} />}
      {projects && projects.length > 0 && (
        <section className="section" style={{ marginTop: 28 }}>
          <h2>{t('shell:ProjectList.projects')}</h2>
          <table className="ledger">
            <tbody>
              {projects.map((project) => (
                <tr key={project.id}>
                  <td>
                    <Link to={`/p/${project.id}/gaps`}>{project.name}</Link>
                  </td>
                  <td className="soft">
                    <Link to={`/p/${project.id}/roster?tour=1`}>{t('shell:Tour.tourInTenSteps')}</Link>
                  </td>
                  <td className="figure soft">
                    {t('shell:ProjectList.begunCreatedAt', { createdAt: project.createdAt.slice(0, 10) })}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      <section className="section" style={{ marginTop: 20 }}>
        <h2>
          {projects?.length === 0
            ? t('shell:ProjectList.beginYourFirstProject')
            : t('shell:ProjectList.beginAProject')}
        </h2>
        <form
          style={{ display: 'flex', gap: 8 }}
          onSubmit={(event) => {
            event.preventDefault();
            void begin();
          }}
        >
          <Input
            aria-label={t('shell:ProjectList.nameOfTheBrand')}
            placeholder={t('shell:ProjectList.nameOfTheBrand')}
            value={name}
            maxLength={120}
            onChange={(event) => setName(event.target.value)}
          />
          <Button type="primary" htmlType="submit" disabled={name.trim() === ''} loading={isLoading}>
            {t('shell:ProjectList.begin')}
          </Button>
        </form>
      </section>
      <AuditAtOnce />
      <ArchiveIn />
      <footer className="section soft">
        <LanguageChoice />
      </footer>
    </main>
  );
}

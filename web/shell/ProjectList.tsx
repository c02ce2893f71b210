import { Button, Input } from 'antd';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { Problem } from '../parts/words/Problem';
import { useCreateProjectMutation, useProjectsQuery } from '../state/projectApi';
import { ArchiveIn } from './ArchiveIn';
import { AuditAtOnce } from './AuditAtOnce';

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
      <h1 style={{ fontSize: 40, fontWeight: 600 }}>Opsimath</h1>
      <p className="soft" style={{ fontSize: 15, marginTop: 4 }}>
        One who learns late. Finds which keywords rivals rank for, what the gaps are worth, and where to
        start.
      </p>
      {(error ?? creationError) && <Problem error={error ?? creationError} />}
      {projects && projects.length > 0 && (
        <section className="section" style={{ marginTop: 28 }}>
          <h2>Projects</h2>
          <table className="ledger">
            <tbody>
              {projects.map((project) => (
                <tr key={project.id}>
                  <td>
                    <Link to={`/p/${project.id}/gaps`}>{project.name}</Link>
                  </td>
                  <td className="figure soft">begun {project.createdAt.slice(0, 10)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      <section className="section" style={{ marginTop: 20 }}>
        <h2>{projects?.length === 0 ? 'Begin your first project' : 'Begin a project'}</h2>
        <form
          style={{ display: 'flex', gap: 8 }}
          onSubmit={(event) => {
            event.preventDefault();
            void begin();
          }}
        >
          <Input
            aria-label="Name of the brand"
            placeholder="Name of the brand"
            value={name}
            maxLength={120}
            onChange={(event) => setName(event.target.value)}
          />
          <Button type="primary" htmlType="submit" disabled={name.trim() === ''} loading={isLoading}>
            Begin
          </Button>
        </form>
      </section>
      <AuditAtOnce />
      <ArchiveIn />
    </main>
  );
}

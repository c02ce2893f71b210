import { App as Messages, ConfigProvider } from 'antd';
import { lazy } from 'react';
import { Navigate, RouterProvider, createBrowserRouter } from 'react-router';
import { useAppSelector } from '../state/store';
import { ProjectList } from './ProjectList';
import { Shell } from './Shell';
import { themeOf } from './theme';

const Roster = lazy(() => import('../stages/roster/Roster'));
const LookUpStage = lazy(() => import('../stages/lookup/LookUpStage'));
const Gaps = lazy(() => import('../stages/gaps/Gaps'));
const ReportStage = lazy(() => import('../stages/report/ReportStage'));

const router = createBrowserRouter([
  { path: '/', element: <ProjectList /> },
  {
    path: '/p/:project',
    element: <Shell />,
    children: [
      { index: true, element: <Navigate to="gaps" replace /> },
      { path: 'roster', element: <Roster /> },
      { path: 'look-up', element: <LookUpStage /> },
      { path: 'gaps', element: <Gaps /> },
      { path: 'report', element: <ReportStage /> },
    ],
  },
  { path: '*', element: <Navigate to="/" replace /> },
]);

export function App() {
  const theme = useAppSelector((state) => state.preferences.theme);
  return (
    <ConfigProvider theme={themeOf(theme)}>
      <Messages>
        <RouterProvider router={router} />
      </Messages>
    </ConfigProvider>
  );
}

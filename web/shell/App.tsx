import { App as Messages, ConfigProvider } from 'antd';
import { lazy, useMemo } from 'react';
import { Navigate, createBrowserRouter } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { useAppSelector } from '../state/store';
import { Broken } from './Broken';
import { ProjectList } from './ProjectList';
import { Shell } from './Shell';
import { themeOf } from './theme';

const Roster = lazy(() => import('../stages/roster/Roster'));
const LookUpStage = lazy(() => import('../stages/lookup/LookUpStage'));
const SiftStage = lazy(() => import('../stages/sift/SiftStage'));
const Gaps = lazy(() => import('../stages/gaps/Gaps'));
const Rounds = lazy(() => import('../stages/rounds/Rounds'));
const Drafts = lazy(() => import('../stages/drafts/Drafts'));
const Watch = lazy(() => import('../stages/watch/Watch'));
const ReportStage = lazy(() => import('../stages/report/ReportStage'));

const router = createBrowserRouter([
  { path: '/', element: <ProjectList />, errorElement: <Broken /> },
  {
    path: '/p/:project',
    element: <Shell />,
    errorElement: <Broken />,
    children: [
      { index: true, element: <Navigate to="gaps" replace /> },
      { path: 'roster', element: <Roster /> },
      { path: 'look-up', element: <LookUpStage /> },
      { path: 'sift', element: <SiftStage /> },
      { path: 'gaps', element: <Gaps /> },
      { path: 'rounds', element: <Rounds /> },
      { path: 'drafts', element: <Drafts /> },
      { path: 'watch', element: <Watch /> },
      { path: 'report', element: <ReportStage /> },
    ],
  },
  { path: '*', element: <Navigate to="/" replace /> },
]);

export function App() {
  const theme = useAppSelector((state) => state.preferences.theme);
  const look = useMemo(() => themeOf(theme), [theme]);
  return (
    <ConfigProvider theme={look}>
      <Messages>
        <RouterProvider router={router} />
      </Messages>
    </ConfigProvider>
  );
}

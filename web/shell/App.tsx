import { ConfigProvider, message } from 'antd';
import type { Locale } from 'antd/es/locale';
import { type ReactNode, lazy, useMemo } from 'react';
import { Navigate, createBrowserRouter } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { withWords } from '../words/load';
import { MessagesPlace } from '../state/messages';
import { useAppSelector } from '../state/store';
import { Broken } from './Broken';
import { ProjectList } from './ProjectList';
import { Shell } from './Shell';
import { themeOf } from './theme';

const Roster = lazy(() => withWords(['roster'], () => import('../stages/roster/Roster')));
const LookUpStage = lazy(() => withWords(['lookup'], () => import('../stages/lookup/LookUpStage')));
const SiftStage = lazy(() => withWords(['sift'], () => import('../stages/sift/SiftStage')));
const Gaps = lazy(() => withWords(['gaps'], () => import('../stages/gaps/Gaps')));
const Rounds = lazy(() => withWords(['rounds'], () => import('../stages/rounds/Rounds')));
const Drafts = lazy(() => withWords(['drafts'], () => import('../stages/drafts/Drafts')));
const Watch = lazy(() => withWords(['watch'], () => import('../stages/watch/Watch')));
const Method = lazy(() => withWords(['method', 'glossary'], () => import('../stages/method/Method')));
const ReportStage = lazy(() => withWords(['report'], () => import('../stages/report/ReportStage')));

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
      { path: 'method/:page?', element: <Method /> },
    ],
  },
  { path: '*', element: <Navigate to="/" replace /> },
]);

/** What the component library says itself, in the language chosen. */
interface AppProps {
  locale: Locale | undefined;
}

export function App({ locale }: AppProps) {
  const theme = useAppSelector((state) => state.preferences.theme);
  const look = useMemo(() => themeOf(theme), [theme]);
  return (
    <ConfigProvider theme={look} locale={locale}>
      <WithMessages>
        <RouterProvider router={router} />
      </WithMessages>
    </ConfigProvider>
  );
}

/** Within the theme, so that messages look like all the rest. */
function WithMessages({ children }: { children: ReactNode }) {
  const [messages, shown] = message.useMessage();
  return (
    <MessagesPlace value={messages}>
      {shown}
      <div className="app">{children}</div>
    </MessagesPlace>
  );
}

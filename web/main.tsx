import '@fontsource-variable/newsreader';
import '@fontsource-variable/source-sans-3';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { App } from './shell/App';
import './shell/paper.css';
import './shell/ledger.css';
import './shell/shell.css';
import { hearOthers } from './state/others';
import { judging } from './state/judging';
import { showJudging } from './state/judgingShown';
import { store } from './state/store';

showJudging(store.dispatch, store.getState);
judging.start();
hearOthers(store.dispatch);

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <Provider store={store}>
      <App />
    </Provider>
  </StrictMode>,
);

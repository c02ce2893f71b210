import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { hearOthers } from '../state/others';
import { judging } from '../state/judging';
import { showJudging } from '../state/judgingShown';
import { store } from '../state/store';
import { App } from './App';
import { componentWords } from '../words/componentWords';

/** Everything of the interface, once its texts are there. */
export async function startInterface(root: HTMLElement): Promise<void> {
  const locale = await componentWords();
  showJudging(store.dispatch, store.getState);
  judging.start();
  hearOthers(store.dispatch);
  createRoot(root).render(
    <StrictMode>
      <Provider store={store}>
        <App locale={locale} />
      </Provider>
    </StrictMode>,
  );
}

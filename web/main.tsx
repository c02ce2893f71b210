import '@fontsource-variable/newsreader';
import '@fontsource-variable/source-sans-3';
import './words/begin';
import './shell/paper.css';
import './shell/ledger.css';
import './shell/shell.css';
import './shell/shared.css';
import './shell/narrow.css';

// Asked for here, not above: what the interface is made of is run once its texts are there, however the pieces are bundled.
void import('./shell/start').then(({ startInterface }) => startInterface(document.getElementById('root')!));

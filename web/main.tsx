import '@fontsource-variable/newsreader';
import '@fontsource-variable/source-sans-3';
import './words/begin';
import './shell/paper.css';
import './shell/ledger.css';
import './shell/shell.css';
import { startInterface } from './shell/start';

void startInterface(document.getElementById('root')!);

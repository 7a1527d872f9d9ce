import { createRoot } from 'react-dom/client';
import { App } from './App';
import { whenShown } from './opening';
import './family.scss';

// What the page needs to work without a connection follows once it works with one.
const keepOffline = () =>
  'serviceWorker' in navigator &&
  !location.pathname.startsWith('/practice/') &&
  void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
whenShown(keepOffline);
createRoot(document.getElementById('root')!).render(<App />);

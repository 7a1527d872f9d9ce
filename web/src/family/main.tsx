import { createRoot } from 'react-dom/client';
import { App } from './App';
import './family.scss';

if ('serviceWorker' in navigator) void navigator.serviceWorker.register('/sw.js').catch(() => undefined);
createRoot(document.getElementById('root')!).render(<App />);

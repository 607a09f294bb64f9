import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { fetchAhead } from './app/ahead';
import { App } from './app/App';
import { store } from './app/store';
import './styles/index.css';

const root = document.getElementById('root');
if (root) createRoot(root).render(<StrictMode><Provider store={store}><App /></Provider></StrictMode>);
fetchAhead();

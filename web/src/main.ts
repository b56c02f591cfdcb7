import { mount } from 'svelte';
import App from './App.svelte';
import './app.css';
import './touch.css';

const target = document.getElementById('app');
if (!target) throw new Error('index.html has no element #app');
export default mount(App, { target });

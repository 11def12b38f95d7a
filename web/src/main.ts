import '@fontsource-variable/fraunces/wght.css';
import '@fontsource/atkinson-hyperlegible/400.css';
import '@fontsource/atkinson-hyperlegible/700.css';
import '@fontsource/atkinson-hyperlegible/400-italic.css';
import 'vuetify/styles/core';
import './style.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { fetchFirst, router } from './router.ts';
import { vuetify } from './theme.ts';

fetchFirst(location.pathname);
createApp(App).use(createPinia()).use(router).use(vuetify).mount('#app');

import { aliases, mdi } from 'vuetify/iconsets/mdi-svg';
import { createVuetify, type ThemeDefinition } from 'vuetify';

/** Bone paper, ink, unglazed clay; moss and lichen; slate; one water blue; rust for danger. */
const light: ThemeDefinition = {
  dark: false,
  colors: {
    background: '#f4efe4',
    surface: '#fbf8f1',
    'surface-variant': '#e6dfcf',
    'on-surface-variant': '#3d382e',
    primary: '#8f4724',
    'on-primary': '#fffaf2',
    secondary: '#4a6339',
    'on-secondary': '#fbfdf6',
    accent: '#6f8350',
    slate: '#4b5660',
    water: '#2f6f96',
    error: '#99301c',
    warning: '#8a5a00',
    success: '#3f6b35',
    info: '#2f6f96',
    'on-background': '#26221b',
    'on-surface': '#26221b',
  },
  variables: { 'border-color': '#26221b', 'border-opacity': 0.16, 'medium-emphasis-opacity': 0.78 },
};

const dark: ThemeDefinition = {
  dark: true,
  colors: {
    background: '#1c1a16',
    surface: '#262320',
    'surface-variant': '#3a362f',
    'on-surface-variant': '#e5dccb',
    primary: '#e09a6f',
    'on-primary': '#2b1204',
    secondary: '#a5c088',
    'on-secondary': '#14200a',
    accent: '#b5c795',
    slate: '#aab6c0',
    water: '#86bfe0',
    error: '#f0907a',
    warning: '#e3b866',
    success: '#9dc78d',
    info: '#86bfe0',
    'on-background': '#efe7d8',
    'on-surface': '#efe7d8',
  },
  variables: { 'border-color': '#efe7d8', 'border-opacity': 0.2, 'medium-emphasis-opacity': 0.82 },
};

export const vuetify = createVuetify({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  theme: { defaultTheme: 'light', themes: { light, dark } },
  defaults: {
    // As high as a thumb with earth on it asks for.
    VBtn: { rounded: 'lg', variant: 'flat', class: 'text-none', minHeight: 48 },
    VCard: { rounded: 'lg', variant: 'flat', border: true },
    VTextField: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
    VTextarea: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
    VSelect: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
    VAutocomplete: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
    VCheckbox: { hideDetails: 'auto', color: 'primary' },
    VBtnToggle: { rounded: 'lg', variant: 'outlined', divided: true, color: 'primary' },
  },
});

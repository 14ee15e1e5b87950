// Before the first paint: the theme this device chose, or the one its system asks for.
(() => {
  let chosen = 'system';
  try {
    chosen = JSON.parse(localStorage.getItem('hygromet.draft.preferences') ?? '{}').theme ?? 'system';
  } catch {
    // no storage: the system's theme
  }
  const dark = chosen === 'dark' || (chosen === 'system' && matchMedia('(prefers-color-scheme: dark)').matches);
  document.documentElement.dataset.theme = dark ? 'dark' : 'light';
})();

// Sets the theme before the first paint; the content policy allows no inline script.
(function () {
  var kept = null;
  try {
    kept = localStorage.getItem('freshet.theme');
  } catch (error) {
    kept = null;
  }
  var dark = window.matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.dataset.theme = kept === 'day' || kept === 'dim' ? kept : dark ? 'dim' : 'day';
})();

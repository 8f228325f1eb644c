// Before the first paint, so that a chosen theme does not flash.
const theme = localStorage.getItem('seriatim.theme')
if (theme) document.documentElement.dataset.theme = theme
// Before any schema is made: they make no code from text, instead of trying and being refused by the page's policy.
globalThis.__zod_globalConfig = { jitless: true }

// Texts follow the reader's system: that of the tests is British wherever they run.
const british = { language: 'en-GB' }
if ('navigator' in globalThis)
  Object.defineProperty(navigator, 'language', { value: british.language, configurable: true })
else Object.assign(globalThis, { navigator: british })

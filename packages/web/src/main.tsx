import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/bricolage-grotesque'
import '@fontsource-variable/spline-sans-mono'
import { setNonce } from 'get-nonce'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import 'sonner/dist/styles.css'
import { App } from './app/App.tsx'
import { keepPages } from './shared/kept/index.ts'
import './styles.css'

const place = document.getElementById('root')
if (!place) throw new Error('index.html has no #root')
// What holds the page still behind a dialog puts a style into it, which only this answer's nonce lets in.
setNonce(document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce ?? '')
keepPages()
createRoot(place).render(
  <StrictMode>
    <App />
  </StrictMode>,
)

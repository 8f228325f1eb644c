import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/bricolage-grotesque'
import '@fontsource-variable/spline-sans-mono'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { App } from './app/App.tsx'
import { keepPages } from './shared/kept/index.ts'
import './styles.css'

const place = document.getElementById('root')
if (!place) throw new Error('index.html has no #root')
keepPages()
createRoot(place).render(
  <StrictMode>
    <App />
  </StrictMode>,
)

export { SignInNotice } from './SignInNotice.tsx'
export { StudioPage } from './StudioPage.tsx'

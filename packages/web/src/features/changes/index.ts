export { ChangesButton } from './ChangesButton.tsx'

export { MilestoneDialog } from './MilestoneDialog.tsx'

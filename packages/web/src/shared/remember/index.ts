export { LastUnit, useRemember } from './LastUnit.tsx'
export { RememberForm } from './RememberForm.tsx'

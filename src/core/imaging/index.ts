export { chartSharpness, type FieldSharpness } from './chart'
export { focusOnRuler, type FocusFound, type FocusTrouble } from './ruler'

/*
 * What planners and admins fill in, in one chunk: its libraries are loaded once, and only by who
 * needs them.
 * Import from here lazily; the phone that walks never loads it.
 */
export { ChangeoverScreen } from '../machine/ChangeoverScreen';
export { HarvestEntry } from '../machine/HarvestEntry';
export { ImportCard } from '../readings/ImportCard';
export { SetupScreen } from '../session/SetupScreen';
export { AddMachine } from '../settings/AddMachine';
export { ArchiveScreen } from '../settings/ArchiveScreen';
export { FormatsScreen } from '../settings/FormatsScreen';
export { HoursScreen } from '../settings/HoursScreen';
export { CostsScreen } from '../settings/CostsScreen';
export { TokensScreen } from '../settings/TokensScreen';
export { ToolsScreen } from '../settings/ToolsScreen';
export { AuditScreen } from '../staff/AuditScreen';
export { Devices } from '../staff/Devices';
export { MustChange } from '../staff/MustChange';
export { PasswordForm } from '../staff/PasswordForm';
export { StaffScreen } from '../staff/StaffScreen';
export { AddCheck } from '../specs/AddCheck';
export { ChoicesForm } from '../specs/choices/ChoicesForm';
export { CheckForm } from '../specs/CheckForm';
export { FiguresLine } from '../specs/FiguresLine';
export { PositionsForm } from '../specs/PositionsForm';
export { ImportSheet } from '../specs/ImportSheet';
export { NewSheet } from '../specs/NewSheet';
export { BooksScreen } from '../settings/BooksScreen';
export { FirstDay } from '../start/FirstDay';
export { VisitForm } from '../work/VisitForm';
export { LimitsScreen } from '../specs/limits/LimitsScreen';
export { SheetTableScreen } from '../specs/table/SheetTableScreen';

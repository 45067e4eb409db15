import 'element-plus/es/components/date-picker/style/css'

/** The calendar is the heaviest piece there is: fetched when a day is asked for, not with a place. */
export { ElDatePicker as default } from 'element-plus/es/components/date-picker/index'

import base from '@primeuix/themes/aura/base'
import badge from '@primeuix/themes/aura/badge'
import button from '@primeuix/themes/aura/button'
import checkbox from '@primeuix/themes/aura/checkbox'
import chip from '@primeuix/themes/aura/chip'
import css from '@primeuix/themes/aura/css'
import datatable from '@primeuix/themes/aura/datatable'
import dialog from '@primeuix/themes/aura/dialog'
import iconfield from '@primeuix/themes/aura/iconfield'
import inputtext from '@primeuix/themes/aura/inputtext'
import menu from '@primeuix/themes/aura/menu'
import multiselect from '@primeuix/themes/aura/multiselect'
import paginator from '@primeuix/themes/aura/paginator'
import popover from '@primeuix/themes/aura/popover'
import progressbar from '@primeuix/themes/aura/progressbar'
import ripple from '@primeuix/themes/aura/ripple'
import select from '@primeuix/themes/aura/select'
import selectbutton from '@primeuix/themes/aura/selectbutton'
import slider from '@primeuix/themes/aura/slider'
import splitter from '@primeuix/themes/aura/splitter'
import textarea from '@primeuix/themes/aura/textarea'
import tieredmenu from '@primeuix/themes/aura/tieredmenu'
import toast from '@primeuix/themes/aura/toast'
import togglebutton from '@primeuix/themes/aura/togglebutton'
import toggleswitch from '@primeuix/themes/aura/toggleswitch'
import tooltip from '@primeuix/themes/aura/tooltip'
import virtualscroller from '@primeuix/themes/aura/virtualscroller'

/**
 * Of the preset only what the components on our screens use, and those within them: all of it is a third of the script that the
 * first screen waits for. A component that is not here shows without its tokens; a test compares with what the screens import.
 */
export const aura = {
  ...base,
  // Its types tell of a named export, and the module has a default one.
  css: css as unknown as string,
  components: {
    badge,
    button,
    checkbox,
    chip,
    datatable,
    dialog,
    iconfield,
    inputtext,
    menu,
    multiselect,
    paginator,
    popover,
    progressbar,
    ripple,
    select,
    selectbutton,
    slider,
    splitter,
    textarea,
    tieredmenu,
    toast,
    togglebutton,
    toggleswitch,
    tooltip,
    virtualscroller,
  },
}

import type { LayoutKind } from '@hilera/core/model/layout'
import type { Component } from 'vue'
import LineStrip from './LineStrip.vue'

/** How each layout is unrolled. */
export const layoutStrips: Record<LayoutKind, Component> = { line: LineStrip }

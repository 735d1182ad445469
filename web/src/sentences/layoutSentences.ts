import type { LayoutKind } from '@hilera/core/model/layout'
import type { Component } from 'vue'
import LineSentence from './LineSentence.vue'

/** The sentence in which each layout is read and changed. */
export const layoutSentences: Record<LayoutKind, Component> = { line: LineSentence }

import { createRouter, createWebHistory } from 'vue-router'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'projects', component: () => import('./screens/Projects.vue') },
    {
      path: '/p/:id',
      component: () => import('./shell/ProjectShell.vue'),
      props: true,
      redirect: (to) => ({ name: 'arrange', params: { id: to.params.id } }),
      children: [
        { path: 'arrange', name: 'arrange', component: () => import('./screens/Arrange.vue') },
        { path: 'parts', name: 'parts', component: () => import('./screens/Parts.vue') },
        { path: 'ledger', name: 'ledger', component: () => import('./screens/Ledger.vue') },
        { path: 'motion', name: 'motion', component: () => import('./screens/Motion.vue') },
        { path: 'proofs', name: 'proofs', component: () => import('./screens/Proofs.vue') },
        { path: 'checks', name: 'checks', component: () => import('./screens/Checks.vue') },
        { path: 'versions', name: 'versions', component: () => import('./screens/Versions.vue') },
        { path: 'export', name: 'export', component: () => import('./screens/Export.vue') },
      ],
    },
    { path: '/:rest(.*)', redirect: '/' },
  ],
})

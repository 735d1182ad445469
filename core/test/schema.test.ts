import { expect, it } from 'vitest'
import { z } from 'zod'
import { project } from '../src/model/project'

it('the JSON Schema in docs is that of the document (npx vitest run core/test/schema.test.ts -u writes it anew)', async () => {
  const schema = z.toJSONSchema(project, { target: 'draft-2020-12' })
  await expect(`${JSON.stringify(schema, undefined, 2)}\n`).toMatchFileSnapshot('../../docs/project.schema.json')
})

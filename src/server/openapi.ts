import { auditSchema } from '@/core/audit/plan'
import { formatComponents, schemaOf } from '@/core/exchange/formats'
import {
  changeParameters,
  changeSchema,
  reference,
  json,
  ok,
  WRONG,
  NOT_THERE,
  MOVED_ON,
  UNREADABLE,
  queryParameters,
  idParameter,
  list,
  collection,
  single,
  change,
} from './openapi-parts'
import { practisePaths, practiseSchemas } from './openapi-practise'
import { standardPaths, standardSchemas } from './openapi-standards'
import { workPaths, workSchemas } from './openapi-work'
import { QUESTIONS } from '@/core/optics/answers/answer'
import * as queries from './queries'
import { resolveRequestSchema } from '@/pool/requests'

/** The HTTP interface as an OpenAPI 3.1 document, built from the schemas that check the requests. */

export const openApiDocument = () => ({
  openapi: '3.1.0',
  info: {
    title: 'Coherion',
    version: '1',
    description:
      'State once how autofocus should behave; get it on every camera body. Errors are problem documents (RFC 9457).',
  },
  paths: {
    '/api/v1/bodies': {
      get: collection('bodies', 'Body').get,
      post: {
        summary:
          'Stores the bodies and lenses of a file, all or none; asks by a 409 where one of that name says other things',
        parameters: changeParameters(queries.importQuerySchema),
        requestBody: { required: true, ...json({ oneOf: ['Body', 'Lens', 'Bundle'].map(reference) }) },
        responses: { '201': ok('Stored.'), ...UNREADABLE, ...MOVED_ON, ...WRONG },
      },
    },
    '/api/v1/bodies/new': {
      post: {
        summary: 'Begins a profile: blank, a copy, from a pasted menu, or from a spreadsheet sent as it is (CSV, XLSX)',
        parameters: changeParameters(queries.newBodyQuerySchema).map(p => ({ ...p, required: false })),
        requestBody: {
          required: true,
          content: { 'application/json': { schema: reference('NewBody') }, 'application/octet-stream': {} },
        },
        responses: { '201': ok('Begun.'), ...UNREADABLE, ...WRONG },
      },
    },
    '/api/v1/bodies/{id}': {
      ...single('Body'),
      put: {
        summary:
          'Stores an edited profile, unless somebody else has stored one since; a 409 holds the one there is now',
        parameters: idParameter,
        requestBody: { required: true, ...json(reference('SaveBody')) },
        responses: { '200': ok('Stored.'), ...NOT_THERE, ...UNREADABLE, ...MOVED_ON, ...WRONG },
      },
    },
    '/api/v1/bodies/{id}/archived': change('Puts a body away or brings it back', 'put', 'Archived'),
    '/api/v1/bodies/{id}/menu': {
      get: {
        summary: 'The menu of a body without its meanings, for a spreadsheet or as text',
        parameters: [...idParameter, ...queryParameters(queries.menuQuerySchema)],
        responses: { '200': { description: 'The file.' }, ...NOT_THERE, ...WRONG },
      },
    },
    '/api/v1/bodies/{id}/history': {
      get: {
        summary: 'Who did what to a profile, newest first',
        parameters: idParameter,
        responses: { '200': ok('The events.', list('events')), ...NOT_THERE },
      },
    },
    '/api/v1/bodies/{id}/history/{event}': {
      get: {
        summary: 'What one event changed, in words',
        parameters: [...idParameter, { name: 'event', in: 'path', required: true, schema: { type: 'integer' } }],
        responses: { '200': ok('The differences.', list('differences')), ...NOT_THERE },
      },
    },
    '/api/v1/bodies/{id}/restore': change('Makes a profile as it was before an event', 'post', 'Restore'),
    '/api/v1/proposals': {
      post: {
        summary: 'Proposed meanings of every undecided setting of a profile; stores nothing',
        requestBody: { required: true, ...json(reference('Body')) },
        responses: { '200': ok('Readings by setting, likeliest first.'), ...UNREADABLE, ...WRONG },
      },
    },
    '/api/v1/bundle': {
      get: {
        summary: 'Bodies and lenses as one file; all of them where none are named (comma between ids)',
        parameters: queryParameters(queries.bundleQuerySchema),
        responses: { '200': ok('The file.', reference('Bundle')), ...NOT_THERE },
      },
    },
    '/api/v1/backups': {
      get: { summary: 'When the last good backup was made', responses: { '200': ok('The last one.') } },
    },
    '/api/v1/phrases': {
      get: { summary: 'Every term of every body', responses: { '200': ok('The terms.', list('terms')) } },
    },
    '/api/v1/concepts/{id}': {
      get: {
        summary: 'One concept of the vocabulary on every body, with the nearest way where a body has nothing',
        parameters: idParameter,
        responses: { '200': ok('The concept.'), ...NOT_THERE },
      },
    },
    '/api/v1/lenses': {
      get: collection('lenses', 'Lens').get,
      post: {
        summary: 'Stores a new lens; one without an id gets one from its name',
        requestBody: { required: true, ...json(reference('SaveLens')) },
        responses: { '201': ok('Stored.'), ...UNREADABLE, ...MOVED_ON, ...WRONG },
      },
    },
    '/api/v1/lenses/{id}': {
      ...single('Lens'),
      put: change('Stores an edited lens', 'put', 'SaveLens').put,
      patch: change('Puts a lens away or brings it back', 'patch', 'Archived').patch,
    },
    '/api/v1/lenses/{id}/restore': change('Takes the newest change of a lens back', 'post', 'Signed'),
    '/api/v1/units': {
      get: {
        summary: 'The units of the team and the models they can be of; as JSON, CSV or XLSX',
        parameters: queryParameters(queries.unitsQuerySchema),
        responses: { '200': ok('The units.', list('units')), ...WRONG },
      },
      post: {
        summary: 'Adds a unit',
        requestBody: { required: true, ...json(reference('SaveUnit')) },
        responses: { '201': ok('Added.'), ...UNREADABLE, ...WRONG },
      },
    },
    '/api/v1/units/{id}': {
      put: change('Stores an edited unit', 'put', 'SaveUnit').put,
      patch: change('Puts a unit away or brings it back', 'patch', 'Archived').patch,
    },
    '/api/v1/units/{id}/handover': change('Marks a unit as set for a stranger, or as set back', 'put', 'HandedOver'),
    '/api/v1/people/{id}/units': change('Says which units a person usually carries together', 'put', 'Carried'),
    '/api/v1/units/import': {
      post: {
        summary: 'Units from a spreadsheet, all rows or none; with preview=1 only what would change',
        parameters: changeParameters(queries.unitImportQuerySchema),
        requestBody: { required: true, content: { 'text/csv': {}, 'application/octet-stream': {} } },
        responses: { '200': ok('What changes.', list('changes')), ...UNREADABLE, ...WRONG },
      },
    },
    ...standardPaths,
    ...practisePaths,
    ...workPaths,
    '/api/v1/resolve': {
      post: {
        summary: 'Resolves a standard on bodies, all of them in the request; stores nothing',
        requestBody: { required: true, ...json(reference('ResolveRequest')) },
        responses: {
          '200': ok('The resolutions, in the order of the bodies.', list('resolutions')),
          ...UNREADABLE,
          ...WRONG,
        },
      },
    },
    '/api/v1/runs': {
      get: { summary: 'All measuring runs, newest first', responses: { '200': ok('The runs.', list('runs')) } },
      post: {
        summary: 'Stores a measuring run of a scale that its body has',
        requestBody: { required: true, ...json(reference('SaveRun')) },
        responses: { '201': ok('Stored.'), ...NOT_THERE, ...UNREADABLE, ...WRONG },
      },
    },
    '/api/v1/runs/{id}': {
      get: {
        summary: 'A run in its exchange format; with form=csv its takes as a table',
        parameters: idParameter,
        responses: { '200': ok('The run.', reference('Run')), ...NOT_THERE },
      },
      ...change('Throws away a run that nothing stands on', 'patch', 'ThrowAway'),
    },
    '/api/v1/runs/{id}/effect': {
      get: {
        summary: 'What keeping a run would change: the step that each standard in force picks, and who owes a card',
        parameters: idParameter,
        responses: { '200': ok('By standard.', list('standards')), ...NOT_THERE, ...WRONG },
      },
    },
    '/api/v1/runs/{id}/kept': change('Takes a run up into the profile of its body', 'put', 'KeepRun'),
    '/api/v1/lens-tests': {
      get: {
        summary: 'All lenses tested on bodies, newest first',
        responses: { '200': ok('The tests.', list('tests')) },
      },
      post: {
        summary: 'Stores a test of a lens on a body: where focus lies, or how sharp it is',
        requestBody: { required: true, ...json(reference('SaveLensTest')) },
        responses: { '201': ok('Stored.'), ...NOT_THERE, ...UNREADABLE, ...WRONG },
      },
    },
    '/api/v1/lens-tests/{id}': {
      get: {
        summary: 'A test in its exchange format',
        parameters: idParameter,
        responses: { '200': ok('The test.', reference('LensTest')), ...NOT_THERE },
      },
      ...change('Throws away a test that nothing stands on', 'patch', 'ThrowAway'),
    },
    '/api/v1/lens-tests/{id}/kept': change('Takes a test up into its lens', 'put', 'KeepRun'),
    '/api/v1/trials': {
      get: {
        summary: 'All field trials, newest first, with what each says so far',
        responses: { '200': ok('The trials.', list('trials')) },
      },
      post: {
        summary: 'Stores a trial: a plan, or one that was counted elsewhere',
        requestBody: { required: true, ...json(reference('SaveTrial')) },
        responses: { '201': ok('Stored.'), ...UNREADABLE, ...WRONG },
      },
    },
    '/api/v1/trials/{id}': {
      get: {
        summary: 'A trial in its exchange format, with every pass that was counted',
        parameters: idParameter,
        responses: { '200': ok('The trial.', reference('Trial')), ...NOT_THERE },
      },
      ...change('Throws away a trial', 'patch', 'ThrowAway'),
    },
    '/api/v1/trials/{id}/counts': change('Counts a pass, or takes one back', 'put', 'CountPass'),
    '/api/v1/trials/{id}/finding': change(
      'Writes what a trial says into the draft of a standard',
      'post',
      'WriteFinding',
    ),
    '/api/v1/trials/{id}/notes': change('Notes what is to be known of a block', 'put', 'NoteBlock'),
    '/api/v1/audits': {
      get: {
        summary: 'All audits of pictures, newest first',
        responses: { '200': ok('The audits.', list('audits')) },
      },
      post: {
        summary: 'Stores what pictures say of themselves, and what it is held against; never the pictures',
        parameters: changeParameters(queries.auditQuerySchema),
        requestBody: { required: true, ...json(reference('SaveAudit')) },
        responses: { '201': ok('Stored.'), ...UNREADABLE, ...WRONG },
      },
    },
    '/api/v1/audits/{id}': {
      get: {
        summary: 'An audit: how each camera was set, where that was not what its standard wanted then, what was used',
        parameters: idParameter,
        responses: { '200': ok('The audit.'), ...NOT_THERE },
      },
      ...change('Throws away an audit; what was written into lives stays there', 'patch', 'ThrowAway'),
    },
    '/api/v1/audits/{id}/plan': change(
      'Holds the same pictures against other scenes or clocks',
      'put',
      'SaveAuditPlan',
    ),
    '/api/v1/audits/{id}/lives': change(
      'Writes what was seen into the lives of the units, each at the time of its picture',
      'post',
      'TakeOver',
    ),
    '/api/v1/audits/{id}/session': change(
      'Writes how long a camera followed into the thumb load of a standard’s draft',
      'post',
      'WriteSession',
    ),
    '/api/v1/audits/{id}/report': {
      get: {
        summary: 'The report for the debrief, as PDF',
        parameters: [...idParameter, ...queryParameters(queries.auditReportQuerySchema)],
        responses: {
          '200': { description: 'The report.', content: { 'application/pdf': {} } },
          ...NOT_THERE,
          ...WRONG,
        },
      },
    },
    '/api/v1/sheets/{sheet}': {
      get: {
        summary: 'A sheet to print and photograph: ruler, chart or rack, as PDF',
        parameters: [
          { name: 'sheet', in: 'path', required: true, schema: { type: 'string', enum: ['ruler', 'chart', 'rack'] } },
          { name: 'paper', in: 'query', schema: { type: 'string', enum: ['a4', 'letter'] } },
          { name: 'focal', in: 'query', schema: { type: 'number' } },
        ],
        responses: { '200': { description: 'The sheet.', content: { 'application/pdf': {} } }, ...NOT_THERE, ...WRONG },
      },
    },
    '/api/v1/optics/{question}': {
      post: {
        summary: `A question of the Optics desk about a scene: ${QUESTIONS.join(', ')}; says what cannot be and the nearest that can`,
        parameters: [
          { name: 'question', in: 'path', required: true, schema: { type: 'string', enum: [...QUESTIONS] } },
        ],
        requestBody: { required: true, ...json(reference('Optics')) },
        responses: { '200': ok('The answer.'), ...NOT_THERE, ...UNREADABLE, ...WRONG },
      },
    },
    '/api/v1/resolutions': {
      get: {
        summary: 'A stored standard resolved on stored bodies; all bodies where none are named (comma between ids)',
        parameters: queryParameters(queries.resolutionsQuerySchema),
        responses: { '200': ok('The resolutions.', list('resolutions')), ...NOT_THERE, ...WRONG },
      },
    },
    '/api/v1/cards': {
      get: {
        summary:
          'The steps to a standard on one body or unit, from what it is known to be set to, with the ticks so far',
        parameters: queryParameters(queries.cardQuerySchema),
        responses: { '200': ok('The card.'), ...NOT_THERE, ...WRONG },
      },
    },
    '/api/v1/cards/pdf': {
      get: {
        summary:
          'The cards of several units in one PDF, on A4, Letter or pocket paper; or a line of JSON for each as it is made',
        parameters: queryParameters(queries.cardPdfQuerySchema),
        responses: {
          '200': {
            description: 'The PDF, or lines of JSON.',
            content: { 'application/pdf': {}, 'application/x-ndjson': {} },
          },
          ...NOT_THERE,
          ...WRONG,
        },
      },
    },
    '/api/v1/ticks': {
      put: {
        summary:
          'Ticks a step of a card or takes the tick back; answered once it is on disk; twice is the same as once',
        requestBody: { required: true, ...json(reference('Tick')) },
        responses: { '200': ok('On disk.'), ...NOT_THERE, ...UNREADABLE, ...WRONG },
      },
    },
    '/api/v1/units/{id}/events': {
      get: {
        summary: 'The life of a unit, newest first',
        parameters: idParameter,
        responses: { '200': ok('What happened.'), ...NOT_THERE },
      },
      post: {
        summary: 'Something happened to a unit: reset, repaired, returned, a setting that says something, a signature',
        parameters: idParameter,
        requestBody: { required: true, ...json(reference('UnitEvent')) },
        responses: { '201': ok('On disk.'), ...NOT_THERE, ...UNREADABLE, ...WRONG },
      },
    },
    '/api/v1/units/{id}/state': {
      get: {
        summary: 'What a unit is known to be set to, in the exchange format coherion.state/1',
        parameters: idParameter,
        responses: { '200': ok('What is known.', reference('UnitState')), ...NOT_THERE },
      },
      post: {
        summary: 'Says what a unit is set to, from a file in the exchange format coherion.state/1',
        parameters: [...idParameter, ...changeParameters(queries.stateQuerySchema)],
        requestBody: { required: true, ...json(reference('UnitState')) },
        responses: { '201': ok('On disk.'), ...NOT_THERE, ...UNREADABLE, ...WRONG },
      },
    },
    '/api/v1/units/{id}/events/{event}': {
      put: {
        summary: 'Takes something that happened to a unit back, or has it count again',
        parameters: [...idParameter, { name: 'event', in: 'path', required: true, schema: { type: 'integer' } }],
        requestBody: { required: true, ...json(reference('Undone')) },
        responses: { '200': ok('Done.'), ...NOT_THERE, ...UNREADABLE, ...WRONG },
      },
    },
    '/api/v1/readiness': {
      get: {
        summary: 'Every unit against a standard: ready, unproven, differing, unknown or out of date, and why',
        parameters: queryParameters(queries.readinessQuerySchema),
        responses: { '200': ok('The units.', list('units')), ...NOT_THERE, ...WRONG },
      },
    },
    '/api/v1/readiness/calendar': {
      get: {
        summary: 'When each unit is to be looked at, as iCalendar (RFC 5545)',
        parameters: queryParameters(queries.readinessQuerySchema),
        responses: {
          '200': { description: 'The calendar.', content: { 'text/calendar': { schema: { type: 'string' } } } },
          ...NOT_THERE,
          ...WRONG,
        },
      },
    },
    '/api/v1/readiness/interval': {
      put: {
        summary: 'After how many weeks a unit is looked at again',
        requestBody: { required: true, ...json(reference('Interval')) },
        responses: { '200': ok('Stored.'), ...UNREADABLE, ...WRONG },
      },
    },
    '/api/v1/people': {
      get: { summary: 'Everybody who signs', responses: { '200': ok('The people.', list('people')) } },
      post: {
        summary: 'Adds a person, or finds the one with that name',
        requestBody: { required: true, ...json(reference('Person')) },
        responses: { '201': ok('The person.'), ...UNREADABLE, ...WRONG },
      },
    },
  },
  components: {
    schemas: {
      ...formatComponents(),
      NewBody: changeSchema(queries.newBodySchema, 'NewBody'),
      SaveRun: changeSchema(queries.saveRunSchema, 'SaveRun'),
      ThrowAway: changeSchema(queries.throwAwaySchema, 'ThrowAway'),
      SaveLensTest: changeSchema(queries.saveLensTestSchema, 'SaveLensTest'),
      SaveTrial: changeSchema(queries.saveTrialSchema, 'SaveTrial'),
      CountPass: changeSchema(queries.countPassSchema, 'CountPass'),
      WriteFinding: changeSchema(queries.writeFindingSchema, 'WriteFinding'),
      SaveAudit: changeSchema(auditSchema, 'SaveAudit'),
      SaveAuditPlan: changeSchema(queries.saveAuditPlanSchema, 'SaveAuditPlan'),
      WriteSession: changeSchema(queries.writeSessionSchema, 'WriteSession'),
      TakeOver: changeSchema(queries.takeOverSchema, 'TakeOver'),
      NoteBlock: changeSchema(queries.noteBlockSchema, 'NoteBlock'),
      KeepRun: changeSchema(queries.keepRunSchema, 'KeepRun'),
      SaveBody: changeSchema(queries.saveBodySchema, 'SaveBody'),
      SaveLens: changeSchema(queries.saveLensSchema, 'SaveLens'),
      SaveUnit: changeSchema(queries.saveUnitSchema, 'SaveUnit'),
      Archived: changeSchema(queries.archivedSchema, 'Archived'),
      Carried: changeSchema(queries.carriedSchema, 'Carried'),
      HandedOver: changeSchema(queries.handedOverSchema, 'HandedOver'),
      Restore: changeSchema(queries.restoreSchema, 'Restore'),
      Signed: changeSchema(queries.nothingMoreSchema, 'Signed'),
      UnitEvent: changeSchema(queries.unitEventSchema, 'UnitEvent'),
      Undone: changeSchema(queries.undoneSchema, 'Undone'),
      Interval: changeSchema(queries.intervalSchema, 'Interval'),
      ...standardSchemas,
      ...practiseSchemas,
      ...workSchemas,
      ResolveRequest: schemaOf(resolveRequestSchema, 'ResolveRequest'),
      Tick: changeSchema(queries.tickSchema, 'Tick'),
      Person: changeSchema(queries.personSchema, 'Person'),
      Problem: {
        type: 'object',
        properties: {
          type: { type: 'string' },
          title: { type: 'string' },
          status: { type: 'integer' },
          detail: { type: 'string' },
          problems: {
            type: 'array',
            items: {
              type: 'object',
              properties: {
                file: { type: 'string' },
                path: { type: 'string' },
                value: { type: 'string' },
                expected: { type: 'string' },
              },
            },
          },
        },
        required: ['type', 'title', 'status', 'detail'],
      },
    },
  },
})

import { z } from 'zod';
import { cautionsRequestSchema, cautionsResultSchema } from './cautions';
import { collinearityRequestSchema, collinearityResultSchema, completeRowsRequestSchema, completeRowsResultSchema } from './collinearity';
import { correlationRequestSchema, correlationResultSchema } from './correlation';
import { dependenceRequestSchema, dependenceResultSchema, unseenRequestSchema, unseenResultSchema } from './dependence';
import { dependentRequestSchema, dependentResultSchema } from './dependent';
import { describeRequestSchema, describeResultSchema } from './describe';
import { equalMatricesRequestSchema, equalMatricesResultSchema } from './equal-matrices';
import { gapsRequestSchema, gapsResultSchema } from './gaps';
import { groupPermutationRequestSchema, groupPermutationResultSchema } from './group-permutation';
import { influenceRequestSchema, influenceResultSchema } from './influence';
import { jointRequestSchema, jointResultSchema } from './joint';
import { lineRequestSchema, lineResultSchema } from './line';
import { missingRequestSchema, missingResultSchema } from './missing';
import { pairRequestSchema, pairResultSchema } from './pair';
import { predictionRequestSchema, predictionResultSchema } from './prediction';
import { regressionRequestSchema, regressionResultSchema } from './regression';
import { attenuationRequestSchema, attenuationResultSchema, reliabilityRequestSchema, reliabilityResultSchema } from './reliability';
import { repeatedRowsRequestSchema, repeatedRowsResultSchema } from './repeated-rows';
import { resampleRequestSchema, resampleResultSchema } from './resample';
import { scalesRequestSchema, scalesResultSchema } from './scales';
import { shapeRequestSchema, shapeResultSchema } from './shape';
import { subgroupDescriptivesRequestSchema, subgroupDescriptivesResultSchema } from './subgroup-descriptives';
import { subgroupPairRequestSchema, subgroupPairResultSchema } from './subgroup-pair';
import { subgroupsRequestSchema, subgroupsResultSchema } from './subgroups';
import { summaryRequestSchema, summaryResultSchema } from './summary';
import { suspiciousRequestSchema, suspiciousResultSchema } from './suspicious';
import { waysRequestSchema, waysResultSchema } from './ways';
import { waysTestRequestSchema, waysTestResultSchema } from './ways-test';

export * from './cautions';
export * from './collinearity';
export * from './correlation';
export * from './dependence';
export * from './dependent';
export * from './describe';
export * from './equal-matrices';
export * from './gaps';
export * from './group-permutation';
export * from './groups';
export * from './influence';
export * from './joint';
export * from './line';
export * from './missing';
export * from './pair';
export * from './prediction';
export * from './predictors';
export * from './regression';
export * from './reliability';
export * from './repeated-rows';
export * from './resample';
export * from './scales';
export * from './schemas';
export * from './shape';
export * from './subgroup-descriptives';
export * from './subgroup-pair';
export * from './subgroups';
export * from './summary';
export * from './suspicious';
export * from './ways';
export * from './ways-test';

/** All kinds of analysis: an analysis is a pure function of a revision and a request. */
export const analysisSchema = z.discriminatedUnion('kind', [
  summaryRequestSchema,
  correlationRequestSchema,
  pairRequestSchema,
  describeRequestSchema,
  missingRequestSchema,
  suspiciousRequestSchema,
  shapeRequestSchema,
  scalesRequestSchema,
  jointRequestSchema,
  lineRequestSchema,
  predictionRequestSchema,
  influenceRequestSchema,
  subgroupsRequestSchema,
  subgroupPairRequestSchema,
  groupPermutationRequestSchema,
  equalMatricesRequestSchema,
  subgroupDescriptivesRequestSchema,
  resampleRequestSchema,
  dependentRequestSchema,
  cautionsRequestSchema,
  collinearityRequestSchema,
  completeRowsRequestSchema,
  regressionRequestSchema,
  waysRequestSchema,
  waysTestRequestSchema,
  repeatedRowsRequestSchema,
  gapsRequestSchema,
  dependenceRequestSchema,
  unseenRequestSchema,
  reliabilityRequestSchema,
  attenuationRequestSchema,
]);
export type Analysis = z.infer<typeof analysisSchema>;
/** A request as it is sent: what has a usual value may be left out. */
export type AnalysisInput = z.input<typeof analysisSchema>;
export type AnalysisKind = Analysis['kind'];
export type RequestOf<K extends AnalysisKind> = Extract<Analysis, { kind: K }>;

export const analysisRequestSchema = z.object({ revision: z.number().int(), analysis: analysisSchema });

export const analysisResultSchema = z.discriminatedUnion('kind', [
  summaryResultSchema,
  correlationResultSchema,
  pairResultSchema,
  describeResultSchema,
  missingResultSchema,
  suspiciousResultSchema,
  shapeResultSchema,
  scalesResultSchema,
  jointResultSchema,
  lineResultSchema,
  predictionResultSchema,
  influenceResultSchema,
  subgroupsResultSchema,
  subgroupPairResultSchema,
  groupPermutationResultSchema,
  equalMatricesResultSchema,
  subgroupDescriptivesResultSchema,
  resampleResultSchema,
  dependentResultSchema,
  cautionsResultSchema,
  collinearityResultSchema,
  completeRowsResultSchema,
  regressionResultSchema,
  waysResultSchema,
  waysTestResultSchema,
  repeatedRowsResultSchema,
  gapsResultSchema,
  dependenceResultSchema,
  unseenResultSchema,
  reliabilityResultSchema,
  attenuationResultSchema,
]);
export type AnalysisResult = z.infer<typeof analysisResultSchema>;
/** The result that belongs to a request. */
export type ResultOf<A extends { kind: AnalysisKind }> = Extract<AnalysisResult, { kind: A['kind'] }>;
export type ResultOfKind<K extends AnalysisKind> = Extract<AnalysisResult, { kind: K }>;

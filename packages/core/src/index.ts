export { assess, previewAct, type Assessment, type Preview } from './assessment/assess.ts';
export { readJobFile, describeIssue, LARGEST_JOB_FILE } from './job/read-job-file.ts';
export { jobSchema, blankJob, type Job } from './job/job.ts';

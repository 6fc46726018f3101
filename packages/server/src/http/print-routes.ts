import express, { Router } from 'express';
import { labelsRequestSchema, sheetsRequestSchema, templateRequestSchema } from '@endrel/core/contract/api';
import { tubeRequestSchema } from '@endrel/core/routes/tube-request';
import type { Printer } from '../printing/printer.ts';
import { only } from './only.ts';
import { readRequest } from '../judging/read-request.ts';

const LARGEST = '256kb'; // a hanger with all its rows is a tenth of it
const LARGEST_SHEETS = '4mb'; // the diagram and lists of 300 wires are a tenth of it

/** What is printed at true size. Nothing is stored by it. */
export function printRoutes(printer: Printer): Router {
  const router = Router();
  router
    .route('/template')
    .post(express.json({ limit: LARGEST }), async (req, res) => {
      res.type('application/pdf').send(await printer.template(readRequest(templateRequestSchema, req.body)));
    })
    .all(only('POST'));
  router
    .route('/labels')
    .post(express.json({ limit: LARGEST }), async (req, res) => {
      res.type('application/pdf').send(await printer.labels(readRequest(labelsRequestSchema, req.body)));
    })
    .all(only('POST'));
  router
    .route('/tube')
    .post(express.json({ limit: LARGEST }), async (req, res) => {
      res.type('application/pdf').send(await printer.tube(readRequest(tubeRequestSchema, req.body)));
    })
    .all(only('POST'));
  router
    .route('/sheets')
    .post(express.json({ limit: LARGEST_SHEETS }), async (req, res) => {
      res.type('application/pdf').send(await printer.sheets(readRequest(sheetsRequestSchema, req.body)));
    })
    .all(only('POST'));
  return router;
}

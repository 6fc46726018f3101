/** Another for each build of the application. */
declare const BUILD: string;

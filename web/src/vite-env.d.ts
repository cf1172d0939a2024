/// <reference types="vite/client" />
/// <reference types="vite-plugin-pwa/client" />

/** Which build of the application this is. */
declare const __BUILD__: string;

/** Most letters of each text of the API: `NewCare/text` and so on. */
declare const __MOST_LETTERS__: Readonly<Record<string, number>>;

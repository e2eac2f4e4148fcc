/**
 * What a run shows at each output: blended, liquid and pieces' pH; CO2 made so far (mmol/kg of everything) and a day;
 * lactic and acetic acid (mmol/kg); bacteria in the liquid, log10 a gram.
 */
export const SHOWN = ['blended', 'liquid', 'pieces', 'gas', 'gasPerDay', 'lactic', 'acetic', 'cells'] as const
export const COLUMNS = SHOWN.length

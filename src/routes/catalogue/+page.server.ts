import { catalogue, FLAGS } from '$server/catalogue';

export const load = () => ({ records: catalogue(), flags: FLAGS });

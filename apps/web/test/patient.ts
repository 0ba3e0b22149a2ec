import { configure } from '@testing-library/react';

// What a page works out takes longer where neighbours share the machine; what never comes still fails.
configure({ asyncUtilTimeout: 10_000 });

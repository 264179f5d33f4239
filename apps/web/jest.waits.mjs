// How long something takes is measured by benchmarks: a wait only ends what would never come.
import { configure } from '@testing-library/react';

configure({ asyncUtilTimeout: 60_000 });

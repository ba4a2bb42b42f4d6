<?php

// Everything else is as the framework has it. Eleven rounds keep a sign-in under a third of a second on a small machine;
// tries are slowed down further the more of them fail (docs/operations.md).
return ['bcrypt' => ['rounds' => (int) env('BCRYPT_ROUNDS', 11)]];

<?php

// Tokens of a practice for other systems; the browser signs in by its session and never by these.
return [
    'guard' => [],
    'expiration' => null,
    'routes' => false,
    'last_used_at' => true,
];

<?php

declare(strict_types=1);

/*
 * Passwords are hashed with argon2id, with 19 MiB and 2 passes (OWASP, Password Storage Cheat Sheet, from memory). It
 * has no upper bound of length, as bcrypt has. Older hashes of another kind still open, and are replaced at sign-in.
 */
return [
    'driver' => 'argon2id',
    'argon' => [
        'memory' => (int) env('ARGON_MEMORY', 19_456),
        'time' => (int) env('ARGON_TIME', 2),
        'threads' => 1,
        'verify' => false,
    ],
    'rehash_on_login' => true,
];

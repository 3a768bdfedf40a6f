<?php

declare(strict_types=1);

/* Beside the framework's own stores: what all workers of one machine share, and nobody else. */
return [
    'stores' => ['memory' => ['driver' => 'apc']],
];

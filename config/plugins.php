<?php

declare(strict_types=1);

/*
 * Classes that this installation adds to the registers: kinds of fields, tests, criteria, sources, parts, arrangements,
 * and the queries of tests, criteria and sources. docs/developers/add-to-it.md says what each needs.
 */
return [];

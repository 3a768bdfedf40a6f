<?php

declare(strict_types=1);

namespace Symfony\Component\Clock;

use Psr\Clock\ClockInterface as PsrClockInterface;

/** Stands in for the interface of the package that the registry lacks; Carbon asks for nothing more. */
interface ClockInterface extends PsrClockInterface
{
    /** @param  float|int  $seconds how long to sleep, in seconds */
    public function sleep(float|int $seconds): void;

    public function withTimeZone(\DateTimeZone|string $timezone): static;
}

<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Time\Iso8601;
use Wellspring\Core\Who\Audience;

/** The audience and dates of a part of a page: `from <= now < until`. */
final readonly class Schedule
{
    /** The keys that it is read from. */
    public const KEYS = ['audience', 'from', 'until'];

    /**
     * @param  string|null  $from  instant
     * @param  string|null  $until  instant
     */
    public function __construct(public Audience $audience, public ?string $from = null, public ?string $until = null)
    {
    }

    public static function always(): self
    {
        return new self(Audience::everyone());
    }

    public static function read(Shape $shape, Problems $problems): self
    {
        $audience = self::audience($shape, $problems);
        $ends = [];
        foreach (['from', 'until'] as $key) {
            $said = $shape->raw($key) === null ? '' : $shape->text($key);
            $instant = $said === '' ? null : Iso8601::parse($said);
            if ($said !== '' && $instant === null) {
                $shape->wrong($key, 'an instant such as 2026-05-01T18:30:00Z', $said);
            }
            $ends[] = $instant === null ? null : Iso8601::format($instant);
        }
        if ($ends[0] !== null && $ends[1] !== null && $ends[0] >= $ends[1]) {
            $shape->wrong('until', "an instant after {$ends[0]}", $ends[1]);
        }

        return new self($audience, $ends[0], $ends[1]);
    }

    /** Only the `audience`. */
    public static function audience(Shape $shape, Problems $problems): Audience
    {
        $keys = [];
        foreach ($shape->items('audience') as $i => $key) {
            if (is_string($key) && Audience::isKey($key)) {
                $keys[] = $key;
            } else {
                $problems->add(
                    Path::to($shape->at('audience'), $i),
                    ProblemCode::WrongValue,
                    'expected everyone, signed-out, members or group:KEY, found '.Shape::describe($key).'.',
                );
            }
        }

        return Audience::of($keys);
    }

    public function admits(Context $context): bool
    {
        return $this->audience->admits($context->viewer)
            && ($this->from === null || $this->from <= $context->at())
            && ($this->until === null || $context->at() < $this->until);
    }

    /** @return string|null the next instant at which it begins or ends; null where there is none */
    public function nextChange(Context $context): ?string
    {
        $ahead = array_filter(
            [$this->from, $this->until],
            fn (?string $end): bool => $end !== null && $end > $context->at(),
        );

        return $ahead === [] ? null : min($ahead);
    }

    /** Empty if it is for everyone at all times. */
    public function words(): string
    {
        return implode(', ', array_filter([
            $this->audience->keys === Audience::everyone()->keys ? '' : 'for '.$this->audience->words(),
            $this->from === null ? '' : "from {$this->from}",
            $this->until === null ? '' : "until {$this->until}",
        ]));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ($this->audience->keys === Audience::everyone()->keys ? [] : ['audience' => $this->audience->keys])
            + ($this->from === null ? [] : ['from' => $this->from])
            + ($this->until === null ? [] : ['until' => $this->until]);
    }
}

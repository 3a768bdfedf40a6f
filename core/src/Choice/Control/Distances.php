<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice\Control;

use Wellspring\Core\Option\Option;
use Wellspring\Core\Problem\Shape;

/** Option: distances in whole kilometres to choose from: `[2, 5, 10]`. */
final readonly class Distances implements Option
{
    private const MAX_KM = 20_000;

    public function __construct(private string $key, private string $label)
    {
    }

    public function key(): string
    {
        return $this->key;
    }

    public function label(): string
    {
        return $this->label;
    }

    /** @return list<positive-int> */
    public function default(): array
    {
        return [2, 5, 10, 25];
    }

    /** @return list<positive-int> */
    public function read(Shape $shape): array
    {
        if (! $shape->has($this->key)) {
            return $this->default();
        }
        $given = $shape->items($this->key);
        $kept = self::of($given);
        if ($kept === [] || count($kept) !== count($given)) {
            $shape->wrong($this->key, 'whole kilometres from 1 to '.self::MAX_KM.', each once', $given);

            return $this->default();
        }

        return $kept;
    }

    /** @return list<positive-int> */
    public static function of(mixed $value): array
    {
        $kept = [];
        foreach (is_array($value) ? $value : [] as $one) {
            if (is_int($one) && $one >= 1 && $one <= self::MAX_KM && ! in_array($one, $kept, true)) {
                $kept[] = $one;
            }
        }

        return $kept;
    }

    public function words(mixed $value): string
    {
        return 'within '.implode(', ', self::of($value)).' km';
    }

    public function schema(): array
    {
        return [
            'type' => 'array',
            'minItems' => 1,
            'uniqueItems' => true,
            'items' => ['type' => 'integer', 'minimum' => 1, 'maximum' => self::MAX_KM],
        ];
    }

    public function describe(): array
    {
        return [
            'key' => $this->key,
            'label' => $this->label,
            'kind' => 'wholes',
            'default' => $this->default(),
            'min' => 1,
            'max' => self::MAX_KM,
            'unit' => 'km',
        ];
    }
}

<?php

declare(strict_types=1);

namespace App\Http;

/**
 * Reads the query of an address as text. A form may repeat a name, or leave it empty. Values of the same name are
 * joined by commas, as in the application's own addresses.
 */
final readonly class QueryString
{
    private const MAX_LENGTH = 8_000;

    /** @param  array<string, string>  $values  by name, decoded */
    private function __construct(public array $values, private bool $isOfForm)
    {
    }

    public static function of(string $query): self
    {
        $values = [];
        $isOfForm = false;
        foreach (strlen($query) > self::MAX_LENGTH ? [] : explode('&', $query) as $pair) {
            [$name, $value] = explode('=', $pair, 2) + [1 => ''];
            $name = urldecode($name);
            if ($name === '' || str_contains($name, '[')) {
                continue;
            }
            $isOfForm = $isOfForm || $value === '' || isset($values[$name]);
            $values[$name] = (isset($values[$name]) ? "{$values[$name]}," : '').urldecode($value);
        }

        return new self($values, $isOfForm);
    }

    /** True if a form wrote the address, not the application. */
    public function isOfForm(): bool
    {
        return $this->isOfForm;
    }
}

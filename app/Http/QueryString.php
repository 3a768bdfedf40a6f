<?php

declare(strict_types=1);

namespace App\Http;

/**
 * The query of an address as text: what a form writes says the same name more than once, or says nothing after it.
 * Values of the same name are joined by commas, as an address of the application's own has them.
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

    /** Whether a form has written it, and not the application. */
    public function isOfForm(): bool
    {
        return $this->isOfForm;
    }
}

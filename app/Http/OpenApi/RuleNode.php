<?php

declare(strict_types=1);

namespace App\Http\OpenApi;

use App\Http\Requests\ApiRequest;

/** One key of a request: its rules, and the keys below it. The key `*` stands for each value of a list. */
final class RuleNode
{
    /** @var list<string> as Laravel writes them: “max:200” */
    public array $rules = [];

    /** @var array<string, self> by key */
    public array $below = [];

    /** @param  class-string<ApiRequest>  $request */
    public static function of(string $request): self
    {
        $root = new self;
        foreach ((new $request)->rules() as $path => $rules) {
            $node = $root;
            foreach (explode('.', $path) as $key) {
                $node = $node->below[$key] ??= new self;
            }
            $node->rules = array_values(array_filter($rules, is_string(...)));
        }

        return $root;
    }

    public function has(string $rule): bool
    {
        return in_array($rule, $this->rules, true);
    }

    public function isRequired(): bool
    {
        return $this->has('required') || $this->has('present');
    }

    /** @return list<array{string, string}> each rule's name and what it says after the colon */
    public function split(): array
    {
        return array_map(function (string $rule): array {
            [$name, $value] = explode(':', $rule, 2) + [1 => ''];

            return [$name, $value];
        }, $this->rules);
    }
}

<?php

declare(strict_types=1);

namespace Tests\Support;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Draws what somebody may send who means harm, or whose program is broken: for each route, addresses and bodies that
 * begin as the description of the API says and go wrong at some places.
 */
final class HostileInput
{
    /** Stands in what is sent; an answer that holds it like this has not escaped it. */
    public const MARK = '<script>zx9q()</script>';

    /** Values of headers: what an address of a proxy, a host, or an entity tag may be mistaken for. */
    private const HEADERS = [
        '"><meta http-equiv="refresh" content="0;url=https://evil.example/"><x y="', '@evil.example', 'evil.example:1',
        'https://evil.example/x', '//evil.example/x',
        'https', '/evil', '127.0.0.1, 10.0.0.1', 'W/"x", *', 'bytes=0-0', 'application/JSON', "\xFF", '-1', '',
    ];

    private Randomizer $random;

    /** @var array<string, mixed> of the API's description */
    private array $api;

    /** @var list<string> names of parameters that are known somewhere */
    private array $names;

    /** @param  array<string, list<string>>  $known  what may stand in a place of an address, by the place's name */
    public function __construct(int $seed, private readonly array $known)
    {
        $this->random = new Randomizer(new Mt19937($seed));
        $file = dirname(__DIR__, 2).'/docs/formats/manage-api.openapi.json';
        $this->api = json_decode((string) file_get_contents($file), true, 512, JSON_THROW_ON_ERROR);
        $this->names = [
            'email', 'password', 'to', 'name', 'q', 'types', 'page', 'remember', 'website', 'shop-light', 'shop-page',
            'shop-sort', 'shop-as', 'shop-price', '_part', '_token', 'secret',
        ];
    }

    /**
     * @template T
     *
     * @param  list<T>  $all  one at least
     * @return T
     */
    public function one(array $all): mixed
    {
        return $all === []
            ? throw new \LogicException('There is none to draw.')
            : $all[$this->random->pickArrayKeys($all, 1)[0]];
    }

    public function path(string $pattern): string
    {
        return '/'.preg_replace_callback('/\{(\w+)\??\}/', function (array $found): string {
            $known = $this->known[$found[1]] ?? [];
            $text = $known !== [] && $this->chance(70)
                ? $this->one($known)
                : $this->one(['999999', '0', '-1', '1e9', '99999999999999999999', 'none', '%00', '%ff',
                    '..%2f..', '%0d%0a', '%0d%0aX/', 'x%00/',
                    rawurlencode(self::MARK), rawurlencode("' or 1=1 --"), str_repeat('a', 300), '🌿', '']);

            return (string) $text;
        }, $pattern);
    }

    /** @return array<array-key, mixed> parameters of an address or a body */
    public function body(string $method, string $pattern): array
    {
        $path = '/'.preg_replace('~^manage/api/~', '', $pattern);
        $operation = $this->api['paths'][$path][strtolower($method)] ?? [];
        $content = $operation['requestBody']['content'] ?? [];
        $schema = $content === [] ? [] : reset($content)['schema'];
        $body = $schema === [] ? [] : (array) $this->value($schema, 0);
        foreach ($operation['parameters'] ?? [] as $parameter) {
            if ($parameter['in'] === 'query' && $this->chance(60)) {
                $body[$parameter['name']] = $this->value($parameter['schema'], 0);
            }
        }
        for ($n = $this->random->getInt(0, $body === [] ? 4 : 1); $n > 0; $n--) {
            $body[$this->one($this->names)] = $this->chance(50) ? $this->odd() : $this->text();
        }

        return $body;
    }

    /**
     * @param  list<string>  $names
     * @return array<string, string> a few headers
     */
    public function headers(array $names): array
    {
        $headers = [];
        for ($n = $this->random->getInt(0, 3); $n > 0; $n--) {
            $headers[$this->chance(50) ? 'x-forwarded-'.$this->one(['for', 'host', 'port', 'proto', 'prefix'])
                : $this->one($names)] = $this->one(self::HEADERS);
        }

        return $headers;
    }

    public function chance(int $percent): bool
    {
        return $this->random->getInt(1, 100) <= $percent;
    }

    /** @param  array<string, mixed>|bool  $schema */
    private function value(array|bool $schema, int $depth): mixed
    {
        if (is_bool($schema) || $depth > 6 || $this->chance(15)) {
            return $this->odd();
        }
        if (isset($schema['$ref'])) {
            return $this->value($this->api['components']['schemas'][basename($schema['$ref'])] ?? true, $depth + 1);
        }
        foreach (['oneOf', 'anyOf', 'allOf', 'enum'] as $choice) {
            if (is_array($schema[$choice] ?? null) && $schema[$choice] !== []) {
                $one = $this->one(array_values($schema[$choice]));

                return $choice === 'enum' ? $one : $this->value($one, $depth + 1);
            }
        }
        $type = $schema['type'] ?? 'any';

        return match (is_array($type) ? $this->one(array_values($type)) : $type) {
            'object' => $this->object($schema, $depth),
            'array' => array_map(
                fn (): mixed => $this->value($schema['items'] ?? true, $depth + 1),
                range(1, $this->random->getInt(1, 3)),
            ),
            'integer', 'number' => $this->one([0, 1, 2, 7, -1, 1_000_000, PHP_INT_MAX, 0.5]),
            'boolean' => $this->chance(50),
            'null' => null,
            default => $this->text(),
        };
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return array<string, mixed>
     */
    private function object(array $schema, int $depth): array
    {
        $made = [];
        foreach ($schema['properties'] ?? [] as $name => $of) {
            if (in_array($name, $schema['required'] ?? [], true) ? $this->chance(90) : $this->chance(35)) {
                $made[$name] = $this->value($of, $depth + 1);
            }
        }
        if ($made === [] || $this->chance(10)) {
            $made[$this->text()] = $this->odd();
        }

        return $made;
    }

    private function text(): string
    {
        $known = array_merge(...array_values($this->known));

        return $this->chance(50) && $known !== [] ? $this->one($known) : $this->one([
            'everyone', 'published', 'title', 'price', 'set', 'plant', 'groups', 'perennials', '2026-05-01',
            '2026-13-41', '2026-05-01T25:61:00Z', '1..2', '..', 'half-shade,shade', '/shop', '//elsewhere.example',
            'javascript:alert(1)', 'm@example.org', 'a long password', 'x', '', ' ', '*', '%', '_', '\\', '0',
        ]);
    }

    /** What stands where something else is meant. */
    private function odd(): mixed
    {
        return $this->one([
            null, true, false, 0, -1, 1e308, PHP_INT_MAX, '', ' ', 'NaN', '-0', '1e999', [], [[]], ['x'], [null],
            [['x' => []]],
            ['a' => ['b' => ['c' => ['d' => 1]]]], array_fill(0, 300, 'x'), str_repeat('x', 70_000), "\0", "a\0b",
            self::MARK, '"'.self::MARK, "'; drop table items; --", '${7*7}{{7*7}}', "\u{202E}abc", "🌿\u{FE0F}",
            "line\r\nHeader: x", '../../../etc/passwd', 'http://169.254.169.254/', "\u{FFFF}", '١٢٣', '<b>', '&lt;',
            '%s%n', str_repeat('<b>', 300), '<p '.implode(' ', array_map(
                fn (int $n): string => "a{$n}=1",
                range(1, 300),
            )).'>', str_repeat('<style ', 300), '<plaintext>', '<xmp>', '<body inert dir=rtl>',
            '<dialog open id=content>',
            '<li></ul></main>', str_repeat('{n,spellout}', 300), str_repeat('calc(', 300),
        ]);
    }
}

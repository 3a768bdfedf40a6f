<?php

declare(strict_types=1);

namespace Tests\Support;

use Illuminate\Testing\TestResponse;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Assert;
use Symfony\Component\HttpFoundation\Response;

/** Holds answers of /manage/api against its description in docs/formats. */
final class ApiContract
{
    private const DOCUMENT = 'https://wellspring.invalid/manage-api';

    private static ?Validator $validator = null;

    /** @var array<string, mixed> the description's paths */
    private static array $paths = [];

    /** @param  TestResponse<Response>  $answer */
    public static function hold(TestResponse $answer): void
    {
        $request = $answer->baseRequest;
        $uri = (string) $request?->route()?->uri();
        if (! str_starts_with($uri, 'manage/api/') || ! json_validate((string) $answer->baseResponse->getContent())) {
            return;
        }
        $validator = self::validator();
        $path = '/'.substr($uri, strlen('manage/api/'));
        $method = strtolower((string) $request->method());
        $responses = self::$paths[$path][$method]['responses'] ?? null;
        Assert::assertIsArray($responses, "{$method} {$path} is described");
        $status = isset($responses[$answer->getStatusCode()]) ? $answer->getStatusCode() : 'default';
        if (! isset($responses[$status]['content']['application/json'])) {
            // A file, which only happens to be JSON.
            return;
        }
        $pointer = implode('/', array_map(
            fn (string $key): string => rawurlencode(str_replace(['~', '/'], ['~0', '~1'], $key)),
            ['paths', $path, $method, 'responses', (string) $status, 'content', 'application/json', 'schema'],
        ));
        $error = $validator->validate(
            json_decode((string) $answer->baseResponse->getContent()),
            (object) ['$ref' => self::DOCUMENT."#/{$pointer}"],
        )->error();
        Assert::assertSame('', self::said($error), "{$method} {$path}, answer {$status}: {$answer->getContent()}");
    }

    private static function said(?ValidationError $error): string
    {
        return $error === null ? '' : (string) json_encode((new ErrorFormatter)->format($error), JSON_PRETTY_PRINT);
    }

    private static function validator(): Validator
    {
        if (self::$validator === null) {
            $written = (string) file_get_contents(dirname(__DIR__, 2).'/docs/formats/manage-api.openapi.json');
            $paths = json_decode($written, true, flags: JSON_THROW_ON_ERROR)['paths'];
            self::$paths = is_array($paths) ? $paths : [];
            self::$validator = new Validator;
            $document = json_decode($written, flags: JSON_THROW_ON_ERROR);
            self::$validator->resolver()?->registerRaw($document, self::DOCUMENT);
        }

        return self::$validator;
    }
}

<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Resources\Refusal;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpException;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\ProblemCode;

/** Refuses a request whose body exceeds the limit of its path, before anything reads the body. */
final class LimitsBody
{
    /** Limits in kilobytes by pattern of the path. The first match counts. Uploaded files have further limits. */
    private const KILOBYTES = [
        'manage/api/media' => 62_000,
        'manage/api/imports' => 62_000,
        'manage/api/imports/*/pictures' => 62_000,
        'manage/api/sets/*' => 6_000,
        // Several texts of a megabyte, with JSON's escapes.
        'manage/api/items' => 6_000,
        'manage/api/items/*' => 6_000,
        'manage/api/taxonomies/*/terms' => 3_000,
        'manage/api/terms/*' => 3_000,
        'manage/api/presets/*' => 100,
        'manage/api/sign-in' => 16,
        'manage/api/password' => 16,
        'manage/api/*' => 1_500,
        '*' => 64,
    ];

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $limit = self::limit($request->path());
        $length = $request->server->get('CONTENT_LENGTH');
        $bytes = is_numeric($length) ? (int) $length : 0;
        // Without a correct Content-Length, the body itself is measured. PHP reads uploaded files separately.
        if ($bytes <= $limit && $request->getContent() !== '') {
            $bytes = max($bytes, strlen((string) $request->getContent()));
        }
        if ($bytes <= $limit) {
            return $next($request);
        }
        $message = 'expected at most '.number_format($limit / 1000).' kB at this address, found '
            .number_format($bytes / 1000).' kB.';
        if ($request->is('manage/api/*') || $request->expectsJson()) {
            return new JsonResponse(
                ['problems' => [Refusal::problem(new Problem('', ProblemCode::TooLarge, $message))]],
                413,
            );
        }
        throw new HttpException(413, $message);
    }

    /** The limit of the path in bytes. */
    private static function limit(string $path): int
    {
        foreach (self::KILOBYTES as $pattern => $kilobytes) {
            if (fnmatch($pattern, $path)) {
                return $kilobytes * 1000;
            }
        }

        return 0;
    }
}

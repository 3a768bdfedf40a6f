<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * What was wrong with a request.
 *
 * @phpstan-type ProblemShape array{path: string, code: value-of<ProblemCode>, message: string, link?: string}
 */
#[OA\Info(version: '1', title: 'Wellspring: what the manage screens ask of the server')]
#[OA\Server(url: '/manage/api')]
#[OA\Schema(
    schema: 'Refusal',
    description: '`problems`: what core found; `errors`: what the rules of a request found, by key.',
    type: 'object',
    properties: [
        new OA\Property('message', type: 'string'),
        new OA\Property('problems', type: 'array', items: new OA\Items(ref: '#/components/schemas/Problem')),
        new OA\Property('errors', type: 'object', additionalProperties: new OA\AdditionalProperties(
            type: 'array',
            items: new OA\Items(type: 'string'),
        )),
    ],
)]
#[OA\Schema(schema: 'Conflict', description: 'Others saved meanwhile, or are writing now.', anyOf: [
    new OA\Schema(ref: '#/components/schemas/Stale'),
    new OA\Schema(ref: '#/components/schemas/Refusal'),
])]
#[OA\Schema(schema: 'ItemConflict', description: 'Others saved the item meanwhile, or are writing now.', anyOf: [
    new OA\Schema(ref: '#/components/schemas/StaleItem'),
    new OA\Schema(ref: '#/components/schemas/Refusal'),
])]
#[OA\Schema(
    schema: 'Stale',
    description: 'The write started from a revision that is no longer the newest.',
    type: 'object',
    required: ['message', 'revision'],
    properties: [new OA\Property('message', type: 'string'), new OA\Property('revision', type: 'integer')],
)]
#[OA\Schema(
    schema: 'StaleItem',
    description: 'What others saved of the item since the revision that the write started from.',
    type: 'object',
    required: ['message', 'revision', 'theirs', 'conflicts', 'merged', 'saves'],
    properties: [
        new OA\Property('message', type: 'string'),
        new OA\Property('revision', type: 'integer'),
        new OA\Property('theirs', type: 'array', items: new OA\Items(ref: '#/components/schemas/Difference')),
        new OA\Property('conflicts', type: 'array', items: new OA\Items(type: 'object', required: [
            'field', 'label', 'theirs', 'mine',
        ], properties: [
            new OA\Property('field', type: 'string'),
            new OA\Property('label', type: 'string'),
            new OA\Property('theirs', type: 'string'),
            new OA\Property('mine', type: 'string'),
        ])),
        new OA\Property('merged', ref: '#/components/schemas/Values'),
        new OA\Property('saves', type: 'array', items: new OA\Items(type: 'object', required: [
            'number', 'by', 'at', 'how',
        ], properties: [
            new OA\Property('number', type: 'integer'),
            new OA\Property('by', type: 'string'),
            new OA\Property('at', type: 'string'),
            new OA\Property('how', type: 'string'),
        ])),
    ],
)]
final class Refusal
{
    public static function of(Refused $refused): JsonResponse
    {
        return new JsonResponse(['problems' => array_map(self::problem(...), $refused->problems)], 422);
    }

    /** @return ProblemShape */
    public static function problem(Problem $problem): array
    {
        $link = $problem->variables['link'] ?? null;

        return ['path' => $problem->path, 'code' => $problem->code->value, 'message' => $problem->message]
            + (is_string($link) ? ['link' => $link] : []);
    }
}

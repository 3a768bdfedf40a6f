<?php

declare(strict_types=1);

namespace App\Http;

use App\Catalogue\Records;
use App\Http\Requests\PreviewRequest;
use App\Listing\ContextFactory;
use App\Models\Item;
use App\People\Viewers;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Iso8601;
use Wellspring\Core\Time\Period;

/**
 * The context of a preview: the date, the viewer, the page's record, the search words and the visitor's choices.
 */
final readonly class PreviewContext
{
    public function __construct(private ContextFactory $contexts, private Viewers $viewers)
    {
    }

    /** @throws Refused */
    public function of(PreviewRequest $request): Context
    {
        $given = $request->validated();
        $at = ($given['at'] ?? '') === '' ? new \DateTimeImmutable : Iso8601::parse($given['at']);
        if ($at === null) {
            throw Refused::because(
                'at',
                ProblemCode::WrongValue,
                "expected a moment such as 2026-05-01T18:30:00Z, found “{$given['at']}”.",
            );
        }
        $month = $given['about']['month'] ?? null;
        if ($month !== null && Period::days($month) === null) {
            throw Refused::because(
                'about.month',
                ProblemCode::WrongValue,
                "expected a month such as 2026-05, found “{$month}”.",
            );
        }
        $item = isset($given['about']['item']) ? Item::query()->where('id', $given['about']['item'])->first() : null;
        [$taxonomy, $slug] = explode('/', ($given['about']['term'] ?? '').'/');

        return $this->contexts->at(
            $at,
            $this->viewers->asked($given['as'] ?? '', $given['person'] ?? ''),
            new PageSubject(
                $item === null ? null : Records::complete($item),
                $taxonomy === '' ? null : ['taxonomy' => $taxonomy, 'slug' => $slug],
                $month,
                $given['about']['person'] ?? null,
            ),
            Choices::fromAddress(['q' => $given['words'] ?? null] + ($given['choices'] ?? [])),
        );
    }
}

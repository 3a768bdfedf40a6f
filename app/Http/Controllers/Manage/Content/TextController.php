<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Content;

use App\Content\Html\SafeHtml;
use App\Http\Requests\Content\TextPreviewRequest;
use App\Listing\ContextFactory;
use App\Pages\StoredPage;
use App\Site\Address\FoundPage;
use App\Site\Address\PageAddress;
use App\Site\SitePages;
use App\Site\Subject;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Who\Viewer;

/** Previews of texts with markup. */
final readonly class TextController
{
    public function __construct(
        private SafeHtml $safe,
        private SitePages $pages,
        private ContextFactory $contexts,
    ) {
    }

    /**
     * A page of the site with nothing but the text, as visitors see it: in the site's look and at its text width.
     *
     * @return array{html: string}
     *
     * @throws Refused
     */
    public function preview(TextPreviewRequest $request): array
    {
        $html = (string) $request->validated('html');
        $problems = new Problems;
        $this->safe->check('html', $html, $problems);
        $problems->refuseIfAny();
        $stored = StoredPage::plain(
            trim((string) $request->validated('title')) ?: 'Preview',
            '',
            ['block' => 'text', 'html' => $this->safe->safe($html) ?? ''],
        );
        $result = $this->pages->page(
            new FoundPage($stored, Subject::ofPage($stored->definition)),
            new PageAddress($stored->definition->address->pattern),
            $this->contexts->at(new \DateTimeImmutable, Viewer::anyone()),
            [],
        );

        return ['html' => view('site.page', ['result' => $result])->render()];
    }
}

<?php

declare(strict_types=1);

namespace App\Site;

use App\Freshness\ContentMarks;
use App\Freshness\Dependencies;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Paging\NoSuchPage;

/** Answers addresses: the page with what is left to show on it, where else it is, or nothing. */
final readonly class AddressAnswers
{
    public function __construct(
        private PageFinder $finder,
        private MovedAddresses $moved,
        private SitePages $sitePages,
        private ContentMarks $marks,
    ) {
    }

    /**
     * @param  string  $path  of the address, with its first slash
     * @param  array<string, string>  $asked  the page number asked for, by module key, as it stands in the address
     * @param  bool  $drafts  whether drafts answer, instead of what is live
     */
    public function find(string $path, Context $context, bool $drafts = false, array $asked = []): AddressAnswer
    {
        if ($path !== '/' && str_ends_with($path, '/')) {
            return new AddressAnswer(301, rtrim($path, '/') ?: '/');
        }
        $dependencies = new Dependencies($this->marks->snapshot());
        $found = $this->finder->find($path, $context, $dependencies, $drafts);
        if ($found === null) {
            foreach ($this->moved->of($path) as $now) {
                // Of what is not for the viewer nothing is told, not even that it moved.
                if ($this->finder->find($now, $context, $dependencies, $drafts) !== null) {
                    return new AddressAnswer(301, $now, dependencies: $dependencies);
                }
            }

            return new AddressAnswer(404, dependencies: $dependencies);
        }
        $page = $found->stored->definition;
        $dependencies->expireWith($context, $page->schedule);
        if (! $page->schedule->admits($context)) {
            $asksToSignIn = $page->asksToSignIn && $context->viewer->isSignedIn !== true;

            return new AddressAnswer($asksToSignIn ? 401 : 404, dependencies: $dependencies);
        }
        try {
            return new AddressAnswer(200, null, $this->sitePages->page(
                $found,
                new PageAddress($path),
                $context->with(page: $found->subject->page),
                $asked,
                $dependencies,
                drafts: $drafts,
            ), $dependencies);
        } catch (NoSuchPage) {
            return new AddressAnswer(404);
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Site\Address;

use App\Freshness\ContentMarks;
use App\Freshness\Dependencies;
use App\Site\SitePages;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Paging\NoSuchPage;

/** Answers addresses with a page, a redirect, or "not found". */
final readonly class AddressAnswers
{
    public function __construct(
        private PageFinder $finder,
        private MovedAddresses $moved,
        private SitePages $sitePages,
        private ContentMarks $marks,
        private SiteSettings $site,
    ) {
    }

    /**
     * @param  string  $path  of the address, with its leading slash
     * @param  array<string, string>  $asked  the requested page number by module key, as written in the address
     * @param  bool  $drafts  true if drafts answer instead of live versions
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
                // The viewer learns nothing about a page that is not for them, not even that it moved.
                if ($this->finder->find($now, $context, $dependencies, $drafts) !== null) {
                    return new AddressAnswer(301, $now, dependencies: $dependencies);
                }
            }

            return $this->standIn(404, $path, $context, $dependencies);
        }
        $page = $found->stored->definition;
        $dependencies->expireWith($context, $page->schedule);
        if (! $page->schedule->admits($context)) {
            $asksToSignIn = $page->asksToSignIn && $context->viewer->isSignedIn !== true;

            return $this->standIn($asksToSignIn ? 401 : 404, $path, $context, $dependencies);
        }
        if ($page->about === null && $this->site->addressFor($context->viewer, $page->key, $path) !== $path) {
            return new AddressAnswer(301, '/', dependencies: $dependencies);
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
            // Answers to requests with parameters are not remembered.
            return new AddressAnswer(404, page: $this->standIn(404, $path, $context, $dependencies)->page);
        }
    }

    /**
     * The parameters of the canonical address; null if no page answers the address.
     *
     * @param  array<string, string>  $asked  see find()
     * @return array<string, string>|null
     */
    public function canonicalParameters(string $path, Context $context, array $asked): ?array
    {
        $found = $this->finder->find($path, $context, new Dependencies);

        return $found === null ? null : $this->sitePages->canonicalParameters($found, $context, $asked);
    }

    /**
     * The stand-in page from the site's settings for pages that do not exist or are not for the viewer.
     *
     * @param  401|404  $status
     */
    private function standIn(int $status, string $path, Context $context, Dependencies $dependencies): AddressAnswer
    {
        $key = $status === 401 ? $this->site->noAccess : $this->site->notFound;
        $found = $key === null ? null : $this->finder->byKey($key, $context, $dependencies);
        if ($found === null) {
            return new AddressAnswer($status, dependencies: $dependencies);
        }
        // All missing pages get the same answer. After signing in, the visitor returns to the requested address.
        $address = new PageAddress($status === 401 ? $path : $found->stored->definition->address->pattern);

        return new AddressAnswer(
            $status,
            null,
            $this->sitePages->page($found, $address, $context, [], $dependencies),
            $dependencies,
        );
    }
}

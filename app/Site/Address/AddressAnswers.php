<?php

declare(strict_types=1);

namespace App\Site\Address;

use App\Freshness\ContentMarks;
use App\Freshness\Dependencies;
use App\Site\SitePages;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Paging\NoSuchPage;

/** Answers addresses: the page with what is left to show on it, where else it is, or nothing. */
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
            // Of what its parameters ask for nothing is remembered.
            return new AddressAnswer(404, page: $this->standIn(404, $path, $context, $dependencies)->page);
        }
    }

    /**
     * The parameters of the canonical address of what an address answers; null where no page answers it.
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
     * The page that the site's settings name for what there is not, or not for the viewer.
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
        // What is not there is answered alike everywhere; whoever signs in comes back to the address that was asked.
        $address = new PageAddress($status === 401 ? $path : $found->stored->definition->address->pattern);

        return new AddressAnswer(
            $status,
            null,
            $this->sitePages->page($found, $address, $context, [], $dependencies),
            $dependencies,
        );
    }
}

<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\AsksContext;
use App\Listing\Listing;
use App\Modules\ModuleStore;
use App\Site\Address\PageAddress;
use App\Site\Listings\VisitorListings;
use App\Site\Output\Outputs;
use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Run\Step;

final class RunModule extends Command
{
    use AsksContext;

    protected $signature = 'wellspring:run {key}
        {--page=1 : which page}
        {--draft : the draft instead of what is live}
        {--cards : with what is left of each card, as JSON}
        {--json : as JSON}'.self::CONTEXT_OPTIONS;

    protected $description = 'Run a module and print its page of records with the count after every step';

    public function handle(ModuleStore $store, Listing $run, VisitorListings $listings, Outputs $outputs): int
    {
        $row = $store->find($this->given('key'));
        $fault = match (true) {
            $row === null => "There is no module “{$this->given('key')}”.",
            $row->live === null && ! $this->option('draft') => 'This module is not live; add --draft to run its draft.',
            default => null,
        };
        if ($row === null || $fault !== null) {
            $this->error((string) $fault);

            return self::FAILURE;
        }
        try {
            $definition = $store->read($this->option('draft') ? $row->draft : $row->live);
            $context = $this->askedContext($definition);
            $module = $definition->bound($context);
            $result = $run->run($module, $context, $this->given('--page'));
        } catch (Refused $refused) {
            $this->tellProblems($refused->problems);

            return self::FAILURE;
        } catch (NoSuchPage $none) {
            $this->error("--page: {$none->getMessage()}");

            return self::FAILURE;
        }
        $facets = $listings->facets($module, $context);
        $listing = $listings->of($module, new PageAddress('/'), $context, $result, $facets);
        if ($this->option('json')) {
            $this->output->writeln(
                $outputs->find($this->option('cards') ? 'cards' : 'json')->write($listing),
                OutputInterface::OUTPUT_RAW,
            );

            return self::SUCCESS;
        }
        $this->table(
            ['step', 'left'],
            array_map(fn (Step $step): array => [(string) $step->name, $step->left], $result->steps),
        );
        $this->table(
            ['id', 'slug', 'title'],
            array_map(
                fn (Record $record): array => [$record->id, $record->slug, $this->plain($record->title)],
                $listing->records,
            ),
        );
        $this->line("Page {$result->page} of {$result->pages}, {$result->total} records in all.");

        return self::SUCCESS;
    }
}

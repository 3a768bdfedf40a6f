<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\AsksContext;
use App\Listing\Trace\Tracer;
use App\Modules\ModuleStore;
use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

final class TraceRecord extends Command
{
    use AsksContext;

    protected $signature = 'wellspring:trace
        {key : the module}
        {slug : of an item of any type, or of a term, person or month where the module takes those}
        {--draft : the draft instead of what is live}
        {--json : as JSON}'.self::CONTEXT_OPTIONS;

    protected $description = 'Say why a module shows a record, or why not, rule by rule';

    public function handle(ModuleStore $store, Tracer $tracer): int
    {
        $row = $store->find($this->given('key'));
        try {
            $module = match (true) {
                $row === null => throw Refused::because(
                    'key',
                    ProblemCode::UnknownModule,
                    "there is no module “{$this->given('key')}”.",
                ),
                (bool) $this->option('draft') => $store->draft($row),
                default => $store->live($row) ?? throw Refused::because(
                    'key',
                    ProblemCode::NotLive,
                    'this module is not live; add --draft to ask of its draft.',
                ),
            };
            $traced = $tracer->bySlug($module, $this->given('slug'), $this->askedContext($module))
                ?? throw Refused::because(
                    'slug',
                    ProblemCode::UnknownItem,
                    "there is no record “{$this->given('slug')}”.",
                );
        } catch (Refused $refused) {
            $this->tellProblems($refused->problems);

            return self::FAILURE;
        }
        if ($this->option('json')) {
            $this->output->writeln(
                json_encode(
                    ['module' => $module->key] + $traced->toArray(),
                    JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
                ),
                OutputInterface::OUTPUT_RAW,
            );

            return self::SUCCESS;
        }
        $this->line($this->plain($traced->answer()));
        foreach ($traced->trace->steps as $step) {
            $this->line(match ($step->passed) {
                true => '  yes  ',
                false => '  NO   ',
                null => '  –    ',
            }.$this->plain("{$step->step}: {$step->sentence}"));
        }
        if ($traced->place !== null && $row->pages()->doesntExist()) {
            $this->line('It stands on no page yet.');
        }
        if ($traced->hypotheticalPlace !== null) {
            $this->line(
                "Had it passed it would stand at place {$traced->hypotheticalPlace}, on page {$traced->page()}.",
            );
        }

        return self::SUCCESS;
    }
}

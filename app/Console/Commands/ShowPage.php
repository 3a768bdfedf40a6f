<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\AsksViewer;
use App\Site\Address\AddressAnswer;
use App\Site\Address\AddressAnswers;
use Illuminate\Console\Command;
use Wellspring\Core\Problem\Refused;

final class ShowPage extends Command
{
    use AsksViewer;

    protected $signature = 'wellspring:page {address : of a page, such as /groups/ferns}
        {--draft : drafts instead of what is live}
        {--json : as JSON}'.self::VIEWER_OPTIONS;

    protected $description = 'Say what an address answers: the page, what it is about, and what is left to show on it';

    public function handle(AddressAnswers $answers): int
    {
        try {
            $context = $this->askedViewer();
            $answer = $answers->find($this->given('address'), $context, $this->option('draft') === true);
        } catch (Refused $refused) {
            $this->tellProblems($refused->problems);

            return self::FAILURE;
        }
        $said = $answer->toArray();
        if ($this->option('json')) {
            $this->output->writeln(
                json_encode($said, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
                \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW,
            );
        } else {
            $this->tell($answer);
        }

        return self::SUCCESS;
    }

    private function tell(AddressAnswer $answer): void
    {
        $page = $answer->page?->page;
        $this->line(trim("{$answer->status} ".($page->title ?? $answer->location ?? '')));
        foreach ($answer->page->frame ?? [] as $slot => $blocks) {
            foreach ($blocks as $block) {
                $this->line("{$slot}: {$this->plain($block->block->words())}");
            }
        }
        foreach ($answer->page->bands ?? [] as $band) {
            foreach ($band->slots as $slot) {
                foreach ($slot->blocks as $block) {
                    $records = $block->result === null ? '' : ", {$block->result->total} records";
                    $words = $this->plain($block->block->words());
                    $this->line("{$band->band->key}, {$slot->share()}: {$words}{$records}");
                }
            }
        }
    }
}

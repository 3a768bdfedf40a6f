@php($marks = \Wellspring\Core\Card\Part\Rating::marks($made->part, (float) $made->text))
<span class="{{ $partClass }}">{!! $before !!}<span class="marks marks-{{ $marks }}" aria-hidden="true"></span>
    {{ $made->text }}<span class="unseen">
        @say('listing.outOf', ['best' => $made->part->number('best')])</span>{!! $after !!}</span>

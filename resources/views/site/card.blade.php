{{-- One view for all parts that are plain text: an include for each would cost more than what it draws. --}}
@foreach ($card->lines as $line)
    <div @class(['line', 'line-picture' => $line[0]->standsForPicture()])>
        @foreach ($line as $made)
            @php
                $style = $made->part->style;
                $partClass = "part {$made->kind->key()}".($style->classes === '' ? '' : " {$style->classes}");
                [$before, $after] = ['', ''];
                if ($style->label !== '') {
                    $label = '<span class="label">'.e($style->label).'</span>';
                    [$before, $after] = $style->isLabelAfter ? ['', " {$label}"] : ["{$label} ", ''];
                }
            @endphp
            @switch($made->shows)
                @case(\Wellspring\Core\Card\Shows::Said)
                    <span class="part said">{{ $made->text }}</span>
                    @break
                @case(\Wellspring\Core\Card\Shows::Space)
                    <span @class([$partClass, 'kept', 'picture' => $made->standsForPicture()])></span>
                    @break
                @case(\Wellspring\Core\Card\Shows::StandIn)
                    @include('site.parts.picture')
                    @break
                @default
                    @php($view = \App\Site\Output\PartViews::of($made->kind))
                    @if ($view === null && ($made->value->pieces ?? []) !== [])
                        @include('site.parts.linked')
                    @elseif ($view === null)
                        <span class="{{ $partClass }}">{!! $before !!}{{ $made->text }}{!! $after !!}</span>
                    @else
                        @include($view)
                    @endif
            @endswitch
        @endforeach
    </div>
@endforeach

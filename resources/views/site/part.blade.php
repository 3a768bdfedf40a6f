@php
    $style = $made->part->style;
    $partClass = implode(' ', ['part', $made->kind->key(), ...$style->classes()]);
    $label = $style->label() === '' ? '' : '<span class="label">'.e($style->label()).'</span>';
    $before = $label === '' || $style->isLabelAfter() ? '' : "{$label} ";
    $after = $label === '' || ! $style->isLabelAfter() ? '' : " {$label}";
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
        @includeFirst(['site.parts.'.$made->kind->key(), 'site.parts.plain'])
@endswitch

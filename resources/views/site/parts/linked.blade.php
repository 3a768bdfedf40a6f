<span class="{{ $partClass }}">{!! $before !!}@foreach ($made->value->pieces as $piece)
@php($to = $shown->assets->recordAddress($piece->record))
@if ($to === null){{ $piece->text }}@else<a href="{{ $to }}">{{ $piece->text }}</a>@endif{{ $loop->last ? '' : ', ' }}
@endforeach{!! $after !!}</span>

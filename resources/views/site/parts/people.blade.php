@foreach ($made->value->pieces as $piece)
@php($to = $shown->assets->personAddress($piece->person))
@if ($to === null){{ $piece->text }}@else<a href="{{ $to }}">{{ $piece->text }}</a>@endif{{ $loop->last ? '' : ', ' }}
@endforeach

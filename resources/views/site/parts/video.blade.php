<div class="{{ $partClass }}">{!! $before !!}@include('site.video', ['video' => $shown->assets->player($made)])
{!! $after !!}</div>

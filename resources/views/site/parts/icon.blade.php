<span class="{{ $partClass }}" aria-hidden="true">{!! \App\Site\Output\Icons::svg($made->text) !!}</span>

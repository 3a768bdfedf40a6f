@if ($subject !== null && $subject->text !== '')
    <div class="prose">{!! $subject->text !!}</div>
@endif

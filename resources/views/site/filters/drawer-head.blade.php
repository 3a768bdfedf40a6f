<p class="choose-head">
    <span>@say('choices.filters')</span>
    <a class="close-filters" href="#{{ $choices->anchor }}">@say('listing.close')</a>
</p>

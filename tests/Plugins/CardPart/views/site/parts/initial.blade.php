<span class="part initial">{{ $made->text }}</span>

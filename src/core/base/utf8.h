// SPDX-License-Identifier: GPL-3.0-or-later
// UTF-8 as people and JSON schemas count it.
#pragma once
#include <cstddef>
#include <optional>
#include <string>
#include <string_view>

namespace yemvo {

/// Code points of UTF-8; none where it is not UTF-8 (RFC 3629: cut or overlong sequences, surrogates, beyond
/// U+10FFFF).
std::optional<std::size_t> text_length(std::string_view utf8);

/// What is not UTF-8 becomes U+FFFD, the rest stays.
std::string as_utf8(std::string_view text);

/// The text itself, or its first `most` code points and an ellipsis.
std::string shortened(std::string_view utf8, std::size_t most);

}  // namespace yemvo

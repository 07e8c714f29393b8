// SPDX-License-Identifier: GPL-3.0-or-later
// Memory that was freed in small pieces, back to the system.
#pragma once

namespace yemvo {

/// What lies free between what is kept would otherwise stay with the program. Takes some milliseconds: for
/// when there is nothing else to do.
void give_back_free_memory();

}  // namespace yemvo

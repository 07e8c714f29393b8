// SPDX-License-Identifier: GPL-3.0-or-later
// Long work that uses every core leaves the window its time.
#pragma once

namespace yemvo {

/// From now on this thread, and those that it starts, give way to others that want the processor (a higher
/// nice value, Linux keeps one a thread). Nothing happens where the system refuses.
void give_way_to_others();

}  // namespace yemvo

// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/background.h"

#include <sys/resource.h>
#include <unistd.h>

namespace yemvo {

void give_way_to_others() {
    constexpr int nice = 10;
    // a thread is a process to the scheduler; refused means that all goes on as it was
    (void)setpriority(PRIO_PROCESS, static_cast<id_t>(gettid()), nice);
}

}  // namespace yemvo

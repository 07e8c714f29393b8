// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/free_memory.h"

#include <malloc.h>

namespace yemvo {

void give_back_free_memory() { malloc_trim(0); }

}  // namespace yemvo

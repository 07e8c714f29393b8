#include "base/free_memory.h"

#include <malloc.h>

namespace yemvo {

void give_back_free_memory() { malloc_trim(0); }

}  // namespace yemvo

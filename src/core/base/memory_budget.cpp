// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/memory_budget.h"

#include <malloc.h>
#include <unistd.h>

#include <algorithm>

namespace yemvo {

std::size_t machine_bytes() {
    const long pages = sysconf(_SC_PHYS_PAGES), page = sysconf(_SC_PAGESIZE);
    constexpr std::size_t unknown = std::size_t{4} << 30;
    return pages > 0 && page > 0 ? static_cast<std::size_t>(pages) * static_cast<std::size_t>(page) : unknown;
}

void give_back_large_blocks() {
    constexpr int large = 128 << 10;
    mallopt(M_MMAP_THRESHOLD, large);  // setting it keeps glibc from raising it as blocks come and go
}

std::size_t usual_budget_bytes() { return std::min(machine_bytes() / 4, std::size_t{2} << 30); }

std::size_t MemoryBudget::limit_bytes() const {
    const std::lock_guard lock(mutex_);
    return limit_bytes_;
}

std::size_t MemoryBudget::used_bytes() const {
    const std::lock_guard lock(mutex_);
    return used_bytes_;
}

void MemoryBudget::set_limit(std::size_t bytes) {
    Values dropped;  // let go without the lock: values may hold much, or ask others
    const std::lock_guard lock(mutex_);
    limit_bytes_ = bytes;
    make_room(dropped);
}

/// The latest of all stays.
void MemoryBudget::make_room(Values& dropped) {
    while (used_bytes_ > limit_bytes_) {
        KeptByKey* oldest = nullptr;
        std::uint64_t used_at = uses_;
        for (KeptByKey* cache : caches_) {
            if (cache->order_.empty()) continue;
            const std::uint64_t at = cache->entries_.at(cache->order_.back()).used_at;
            if (at >= used_at) continue;
            used_at = at;
            oldest = cache;
        }
        if (!oldest) return;
        oldest->drop_oldest(dropped);
    }
}

KeptByKey::KeptByKey(std::shared_ptr<MemoryBudget> budget, std::size_t most_bytes)
    : budget_(std::move(budget)), most_bytes_(most_bytes) {
    const std::lock_guard lock(budget_->mutex_);
    budget_->caches_.push_back(this);
}

KeptByKey::~KeptByKey() {
    const std::lock_guard lock(budget_->mutex_);
    std::erase(budget_->caches_, this);
    budget_->used_bytes_ -= used_bytes_;
}

std::shared_ptr<const void> KeptByKey::find(std::uint64_t key) {
    const std::lock_guard lock(budget_->mutex_);
    const auto found = entries_.find(key);
    if (found == entries_.end()) return nullptr;
    Entry& entry = found->second;
    entry.used_at = ++budget_->uses_;
    order_.splice(order_.begin(), order_, entry.place);
    return entry.value;
}

void KeptByKey::keep(std::uint64_t key, std::shared_ptr<const void> value, std::size_t bytes) {
    MemoryBudget::Values dropped;
    const std::lock_guard lock(budget_->mutex_);
    if (entries_.contains(key)) return;
    order_.push_front(key);
    entries_[key] = {std::move(value), bytes, ++budget_->uses_, order_.begin()};
    used_bytes_ += bytes;
    budget_->used_bytes_ += bytes;
    while (used_bytes_ > most_bytes_ && order_.size() > 1) drop_oldest(dropped);
    budget_->make_room(dropped);
}

void KeptByKey::drop(Entries::iterator found, MemoryBudget::Values& dropped) {
    used_bytes_ -= found->second.bytes;
    budget_->used_bytes_ -= found->second.bytes;
    dropped.push_back(std::move(found->second.value));
    order_.erase(found->second.place);
    entries_.erase(found);
}

void KeptByKey::drop_oldest(MemoryBudget::Values& dropped) { drop(entries_.find(order_.back()), dropped); }

void KeptByKey::forget(std::uint64_t key) {
    MemoryBudget::Values dropped;
    const std::lock_guard lock(budget_->mutex_);
    if (const auto found = entries_.find(key); found != entries_.end()) drop(found, dropped);
}

std::size_t KeptByKey::size() const {
    const std::lock_guard lock(budget_->mutex_);
    return entries_.size();
}

std::size_t KeptByKey::used_bytes() const {
    const std::lock_guard lock(budget_->mutex_);
    return used_bytes_;
}

}  // namespace yemvo

// Results kept by what they were computed from: undo, variants and what-ifs then cost nothing.
#pragma once
#include <bit>
#include <cstdint>
#include <list>
#include <memory>
#include <mutex>
#include <unordered_map>

namespace yemvo {

/// A 64-bit digest of numbers, built up one by one.
class ContentKey {
public:
    ContentKey& add(std::uint64_t v) {
        value_ ^= v + 0x9e3779b97f4a7c15ull + (value_ << 6) + (value_ >> 2);
        value_ *= 0xff51afd7ed558ccdull;
        value_ ^= value_ >> 32;
        return *this;
    }
    ContentKey& add(double v) { return add(std::bit_cast<std::uint64_t>(v)); }
    ContentKey& add(int v) { return add(static_cast<std::uint64_t>(static_cast<std::int64_t>(v))); }
    std::uint64_t value() const { return value_; }

private:
    std::uint64_t value_ = 0xcbf29ce484222325ull;
};

/// Shared results by key, the least recently asked for dropped beyond a budget. Safe from several threads.
template <class T>
class ContentCache {
public:
    explicit ContentCache(std::size_t budget_bytes) : budget_bytes_(budget_bytes) {}

    std::shared_ptr<const T> find(std::uint64_t key) {
        const std::lock_guard lock(mutex_);
        const auto found = entries_.find(key);
        if (found == entries_.end()) return nullptr;
        order_.splice(order_.begin(), order_, found->second.place);
        return found->second.value;
    }
    void keep(std::uint64_t key, std::shared_ptr<const T> value, std::size_t bytes) {
        const std::lock_guard lock(mutex_);
        if (entries_.contains(key)) return;
        order_.push_front(key);
        entries_[key] = {std::move(value), bytes, order_.begin()};
        used_bytes_ += bytes;
        while (used_bytes_ > budget_bytes_ && order_.size() > 1) {
            used_bytes_ -= entries_.at(order_.back()).bytes;
            entries_.erase(order_.back());
            order_.pop_back();
        }
    }
    std::size_t size() const {
        const std::lock_guard lock(mutex_);
        return entries_.size();
    }

private:
    struct Entry {
        std::shared_ptr<const T> value;
        std::size_t bytes;
        std::list<std::uint64_t>::iterator place;
    };
    mutable std::mutex mutex_;
    std::size_t budget_bytes_, used_bytes_ = 0;
    std::list<std::uint64_t> order_;
    std::unordered_map<std::uint64_t, Entry> entries_;
};

}  // namespace yemvo

// SPDX-License-Identifier: GPL-3.0-or-later
// One answer to several signals.
#pragma once
#include <QObject>
#include <utility>

namespace yemvo::app {

template <class Receiver, class Slot>
void listen(Receiver*, const Slot&) {}
/// Connects the slot to each signal: an object, its signal, the next object, and so on.
template <class Receiver, class Slot, class Sender, class Signal, class... More>
void listen(Receiver* receiver, const Slot& slot, Sender& sender, Signal signal, More&&... more) {
    QObject::connect(&sender, signal, receiver, slot);
    listen(receiver, slot, std::forward<More>(more)...);
}

}  // namespace yemvo::app

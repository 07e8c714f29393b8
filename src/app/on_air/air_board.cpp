// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/on_air/air_board.h"

#include <QEvent>
#include <QMouseEvent>
#include <QPainter>
#include <algorithm>

#include "app/look/theme.h"
#include "app/on_air/heard_table.h"
#include "render/tr.h"

namespace yemvo::app {

AirBoard::AirBoard(QWidget* parent) : QWidget(parent) {
    setObjectName("airBoard");
    setAccessibleName(tr("Radios on the frequency axis"));
    setMinimumHeight(240);
    arrange();
}

void AirBoard::show_air(std::shared_ptr<const HeardAir> air, const std::string& country) {
    air_ = std::move(air);
    country_ = country;
    chosen_.reset();
    arrange();
}

void AirBoard::choose(std::optional<std::size_t> network) {
    if (chosen_ == network) return;
    chosen_ = network;
    arrange();
}

/// A block a radio, by its strongest network.
void AirBoard::arrange() {
    board_ = {};
    networks_.clear();
    board_.country = country_;
    board_.by_use = true;
    if (air_)
        for (const HeardDevice& d : air_->radios) {
            const HeardNetwork& n = air_->networks[d.networks.front()];
            render::BoardBlock b;
            b.channel = n.channel;
            b.primary = n.primary;
            b.label = network_name(n);
            // the loudest stand lowest
            b.order = static_cast<int>(-n.signal_dbm.value_or(-200));
            b.use = n.utilisation.value_or(0);
            b.dashed = n.hidden;
            b.selected = chosen_ && air_->networks[*chosen_].group == n.group;
            board_.blocks.push_back(std::move(b));
            networks_.push_back(d.networks.front());
        }
    layout_.emplace(board_, QSizeF(size()), 0);
    update();
}

void AirBoard::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), theme().field);
    render::paint_board(p, board_, *layout_, theme());
}

void AirBoard::resizeEvent(QResizeEvent*) { arrange(); }
void AirBoard::changeEvent(QEvent* e) {
    if (e->type() == QEvent::PaletteChange) update();
    QWidget::changeEvent(e);
}

void AirBoard::mousePressEvent(QMouseEvent* e) {
    if (const auto hit = layout_->hit(e->position())) emit chosen(networks_[hit->block]);
}

}  // namespace yemvo::app

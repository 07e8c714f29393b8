// SPDX-License-Identifier: GPL-3.0-or-later
// The radios of a capture on the frequency axis, to be looked at and chosen.
#pragma once
#include <QWidget>
#include <optional>

#include "capture/capture.h"
#include "render/spectrum_board.h"

namespace yemvo::app {

class AirBoard : public QWidget {
    Q_OBJECT
public:
    explicit AirBoard(QWidget* parent = nullptr);
    void show_air(std::shared_ptr<const HeardAir>, const std::string& country);
    void choose(std::optional<std::size_t> network);
    const render::BoardLayout& arranged() const { return *layout_; }
    const render::Board& board() const { return board_; }
    /// The strongest network of each block.
    const std::vector<std::size_t>& networks() const { return networks_; }

signals:
    void chosen(std::size_t network);

protected:
    void paintEvent(QPaintEvent*) override;
    void resizeEvent(QResizeEvent*) override;
    void mousePressEvent(QMouseEvent*) override;
    void changeEvent(QEvent*) override;

private:
    void arrange();
    std::shared_ptr<const HeardAir> air_;
    std::string country_;
    render::Board board_;
    std::vector<std::size_t> networks_;
    std::optional<std::size_t> chosen_;
    std::optional<render::BoardLayout> layout_;
};

}  // namespace yemvo::app

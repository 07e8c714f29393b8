// SPDX-License-Identifier: GPL-3.0-or-later
// The little box at the pointer in which exact values are typed while drawing.
#pragma once
#include <QFrame>
#include <vector>

class QLabel;
class QLineEdit;

namespace yemvo::app {

class EntryBox : public QFrame {
    Q_OBJECT
public:
    explicit EntryBox(QWidget* plan);

    struct Field {
        QString name;
        QString unit;
    };
    /// Shows these fields; nothing typed in them yet.
    void open(const std::vector<Field>&);
    void close_box();
    bool is_open() const { return isVisible(); }
    void follow(QPointF pointer);
    /// What the drawing has now, shown in fields that nothing was typed into.
    void set_live(const std::vector<QString>&);
    /// Starts typing into the first field with this text.
    void begin_typing(const QString&);
    /// What was typed; empty for a field left alone.
    std::vector<QString> typed() const;
    void show_fault(int field, const QString& why);
    QLineEdit* field(int index) const { return fields_[static_cast<std::size_t>(index)].edit; }

signals:
    void confirmed();
    void typed_changed();
    void backed();

protected:
    bool eventFilter(QObject*, QEvent*) override;

private:
    struct Row {
        QLabel* name;
        QLineEdit* edit;
        QLabel* unit;
        bool typed = false;
    };
    std::vector<Row> fields_;
};

}  // namespace yemvo::app
